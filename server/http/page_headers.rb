# frozen_string_literal: true

module MossyAnvil
  module Server
    module Http
      # What every answer says of itself, whoever gives it: what a page may load, and how long it may be kept.
      # What lies under /assets carries a sum of its content in its name and never changes; every other page is asked
      # for anew.
      class PageHeaders
        POLICY =
          "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; base-uri 'none'; form-action 'self'; frame-ancestors 'none'"
        ALWAYS = {
          "content-security-policy" => POLICY,
          "x-content-type-options" => "nosniff",
          "referrer-policy" => "no-referrer"
        }.freeze

        HTTPS_ONLY_S = 63_072_000

        def initialize(app)
          @app = app
        end

        def call(env)
          @app
            .call(env)
            .tap do |_, headers, _|
              headers.merge!(ALWAYS)
              only_over_https(headers) if Rack::Request.new(env).ssl?
              headers["cache-control"] = "no-cache" unless env["PATH_INFO"].start_with?("/api", "/assets")
            end
        end

        private

        def only_over_https(headers)
          headers["strict-transport-security"] = "max-age=#{HTTPS_ONLY_S}"
          cookies = headers["set-cookie"] or return
          headers["set-cookie"] = Array(cookies).flat_map { |text| text.split("\n") }.map { |text| "#{text}; secure" }
        end
      end
    end
  end
end
