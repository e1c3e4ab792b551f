# frozen_string_literal: true

module MossyAnvil
  module Server
    module Routes
      module Shared
        # What a request brings, as what may be taken here.
        module Bodies
          MOST_BYTES = MossyAnvil::Formats::JsonText::MAX_BYTES

          # The request's JSON, fit for the named schema; raises InvalidInput.
          def body_as(schema)
            settings.contract.check(
              schema,
              MossyAnvil::Formats::JsonText.parse(body_of([Calculation::Calculations::JSON_TYPE], MOST_BYTES).read)
            )
          end

          # The request's body as a stream, of one of those media types and no larger than that; else a problem.
          def body_of(types, most_bytes)
            problem(Problems.wrong_type(types)) unless types.include?(request.media_type)
            stream = request.body || StringIO.new
            if stream.size > most_bytes
              raise TooLarge, Problems.text("refused.at_most_bytes_are_taken_here", most: most_bytes)
            end

            stream
          end
        end
      end
    end
  end
end
