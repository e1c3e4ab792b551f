# frozen_string_literal: true

module MossyAnvil
  module Report
    # The form a hollow piece is roughed out to: the same outside, and so much wall and floor.
    module RoughForm
      module_function

      # nil where the form has no hollow, or no floor, to rough out to.
      def of(form, wall_mm)
        return if !form.hollow? || form.open_both_ends?

        Model::Form.new(
          kind: form.kind,
          opens: form.opens,
          outside: form.outside.points,
          curve: form.curve,
          use: form.use,
          follows: {
            wall_mm: wall_mm,
            floor_mm: wall_mm
          }
        )
      end
    end
  end
end
