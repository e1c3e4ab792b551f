# frozen_string_literal: true

require "tempfile"

module MossyAnvil
  module Server
    module Routes
      module Shared
        # What is answered: data, a file to keep, or a problem.
        module Answers
          def problem(document)
            status document[:status]
            content_type Problems::TYPE
            halt JSON.generate({ **document, request_id: env[RequestLog::ID] })
          end

          # The same of what nobody asked for, with a line in the log.
          def broken(fault, document)
            RequestLog.fault(settings.log, settings.clock, env, fault)
            problem(document)
          end

          def answer(data, code = 200)
            status code
            content_type :json
            JSON.generate(data)
          end

          # A file to keep.
          def hand_over(name, type, bytes)
            headers "Content-Disposition" => "attachment; filename=\"#{name}\""
            content_type type
            bytes
          end

          # A file that the block writes to a path, and that is gone once it is sent. The block gives its name.
          def hand_over_written(type)
            file = Tempfile.new("download", binmode: true)
            name = yield file.path
            headers "Content-Length" => File.size(file.path).to_s
            hand_over(name, type, Http::SentFile.new(file))
          end
        end
      end
    end
  end
end
