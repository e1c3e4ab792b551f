# frozen_string_literal: true

module MossyAnvil
  module Server
    module Http
      # A problem document as a whole answer, of what stands before the application.
      module Refusal
        def self.of(document, env, headers = {})
          body = JSON.generate({ **document, request_id: env[RequestLog::ID] })
          [document[:status], { "content-type" => Problems::TYPE, **headers }, [body]]
        end
      end
    end
  end
end
