# frozen_string_literal: true

module MossyAnvil
  module Shop
    # What is left to do of one piece, in order. id: of the piece. steps: list of JobStep. ready_min: until then it
    # waits for what is under way; holding: keys of the equipment that takes up. due_min: nil where nobody waits for it.
    # Minutes as of WorkingHours.
    Job =
      Struct.new(:id, :steps, :ready_min, :holding, :due_min, keyword_init: true) do
        def initialize(**given) = super(ready_min: 0, holding: [], **given)

        # Does the piece stay on the lathe after that step, for the next one?
        def stays?(index)
          step, after = steps[index], steps[index + 1]
          !step.lathe.nil? && !after.nil? && step.lathe == after.lathe && step.wait_min.zero?
        end
      end
  end
end
