# frozen_string_literal: true

require "socket"

module MossyAnvil
  module Server
    module Routes
      module Shared
        # Questions to the core that are put by a request and hold it up.
        module Calculating
          # Calculator::Answer to a question about the request's body, or about given bytes; halts with its problem
          # where it has one.
          def calculate(
            question,
            types: [Calculation::Calculations::JSON_TYPE],
            most_bytes: Bodies::MOST_BYTES,
            bytes: nil,
            **given
          )
            whole = { climate: shops.current.slice(:temperature_c, :humidity), now: now.to_f, **given }
            found = settings.calculator.ask(question, whole, bytes || body_of(types, most_bytes), left: method(:left?))
            found.good? ? found : problem(JSON.parse(found.bytes, symbolize_names: true))
          end

          # The same of what is to be kept: where it takes too much to calculate it is checked, and kept without what
          # the rack would say of it.
          def calculate_to_keep(question, **given)
            calculate(question, **given)
          rescue Calculation::Calculator::TooCostly
            calculate(question, **given, unbriefed: true)
          end

          # The same as the answer to the request.
          def calculated(question, **given)
            found = calculate(question, **given)
            content_type found.type
            found.bytes
          end

          # Has whoever asked gone away?
          def left?
            seen = env["puma.socket"]&.to_io&.recv_nonblock(1, Socket::MSG_PEEK, exception: false)
            env.key?("puma.socket") && (seen.nil? || seen == "")
          rescue SystemCallError, IOError
            true
          end
        end
      end
    end
  end
end
