# frozen_string_literal: true

module MossyAnvil
  module Report
    # Is a plan of mending one that can be carried out? Faults with their pointers.
    class MendCheck
      # data: steps as in a blank file, symbol-keyed. ids: of the defects there are. at: pointer of the plan's steps.
      def initialize(data, ids, at)
        @data, @ids, @at = data, ids, at
      end

      # A step carries only what its kind knows, and mends what there is. Raises InvalidInput.
      def call(step, index)
        at = "#{@at}/#{index}"
        faults = [*strange(step, at), *unsurveyed(step, at), *twice(step, index, at)]
        raise InvalidInput, faults if faults.any?
      end

      private

      def strange(step, at)
        known = Mend::MendStep::COMMON + Mend::MendStep::CARRIES.fetch(step[:do])
        (step.keys - known).map do |key|
          Fault.new(path: "#{at}/#{key}", problem: Fault.t("does_not_belong_to_such_a_step"), allowed: known.join(", "))
        end
      end

      def unsurveyed(step, at)
        (step[:of] || []).each_with_index.filter_map do |ref, place|
          next if @ids.include?(ref)

          allowed = Fault.t("the_id_of_a_defect_of_the")
          Fault.new(path: "#{at}/of/#{place}", problem: Fault.t("is", given: Fault.shown(ref)), allowed: allowed)
        end
      end

      def twice(step, index, at)
        return [] if @data.first(index).none? { |other| other[:id] == step[:id] }

        [
          Fault.new(
            path: "#{at}/id",
            problem: Fault.t("is_used_twice", id: step[:id]),
            allowed: Fault.t("each_step_its_own")
          )
        ]
      end
    end
  end
end
