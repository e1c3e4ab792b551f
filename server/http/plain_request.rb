# frozen_string_literal: true

module MossyAnvil
  module Server
    module Http
      # Lets in only requests whose address can be read: short, of UTF-8 without control characters, and asking by plain
      # names and values.
      class PlainRequest
        MOST_QUERY_BYTES = 2000
        MOST_PARAMETERS = 20
        UNREADABLE = /[\u0000-\u001F\u007F]/

        def initialize(app)
          @app = app
        end

        def call(env)
          fault = fault_of(env)
          fault ? Refusal.of(Problems.unreadable(fault), env) : @app.call(env)
        end

        private

        def fault_of(env)
          return Problems.text("refused.the_path_is_no_text") unless readable?(env["PATH_INFO"])

          query = env["QUERY_STRING"].to_s
          if query.bytesize > MOST_QUERY_BYTES
            return Problems.text("refused.too_many_bytes_asked", most: MOST_QUERY_BYTES)
          end

          pairs = query.split("&")
          return Problems.text("refused.too_many_values_asked", most: MOST_PARAMETERS) if pairs.size > MOST_PARAMETERS

          Problems.text("refused.is_not_name_value") unless pairs.all? { |pair| plain?(pair) }
        end

        def plain?(pair)
          name, value = pair.split("=", 2)
          readable?(name.to_s) && readable?(value.to_s) && !unescaped(name.to_s).match?(/[\[\]]/)
        end

        def readable?(text) = unescaped(text)&.then { |plain| plain.valid_encoding? && !plain.match?(UNREADABLE) }

        # nil where it is no percent-encoding.
        def unescaped(text)
          return if text.b.match?(/%(?![0-9A-Fa-f]{2})/n)

          text.b.tr("+", " ").gsub(/%(\h\h)/n) { [Regexp.last_match(1)].pack("H2") }.force_encoding(Encoding::UTF_8)
        end
      end
    end
  end
end
