# frozen_string_literal: true

module MossyAnvil
  module Server
    module Routes
      module Shared
        # The numbers in a path.
        module Ids
          def blank_id = number_in_path("id", "blank")
          def lathe_id = number_in_path("id", "lathe")
          def record_id = number_in_path("id", "record")
          def person_id = number_in_path("id", "person")
          def device_id = number_in_path("id", "device")
          def card_id = number_in_path("id", "card")
          def task_id = number_in_path("id", "task")
          def photograph_id = number_in_path("photograph", "photograph")

          # The whole number in the path; anything else is not there.
          def number_in_path(name, what)
            Integer(params[name], 10, exception: false)&.then { |id| id if id.between?(1, 2**62) } or
              raise NotFound, Problems.text("refused.there_is_no", what: what, id: params[name].to_s[0, 20])
          end
        end
      end
    end
  end
end
