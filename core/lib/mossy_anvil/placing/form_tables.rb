# frozen_string_literal: true

module MossyAnvil
  module Placing
    # A form as look-up tables of radii over its height. low, high: where it lies along z; outer, inner: radii at STEPS
    # even heights and the last (inner: nil where it is solid); inner_low, inner_high: where the hollow begins and ends.
    FormTables =
      Struct.new(:low, :high, :opens, :outer, :inner, :inner_low, :inner_high) do
        def self.of(form)
          low, high = form.z_span_mm
          steps = FormTables::STEPS
          heights = (Numo::DFloat.new(steps + 1).seq * ((high - low) / steps)) + low
          inside = form.inside
          outer, inner = form.outside.radii_mm(heights), inside&.radii_mm(heights)
          new(low, high, form.opens, outer, inner, inside&.first_z_mm, inside&.last_z_mm)
        end

        # The same so much farther along.
        def shifted(by_mm) =
          self.class.new(
            low + by_mm,
            high + by_mm,
            opens,
            outer,
            inner,
            inner && (inner_low + by_mm),
            inner && (inner_high + by_mm)
          )

        # Rows of the tables at heights.
        def rows(z_mm) =
          Numo::Int32.cast(((z_mm - low) * (FormTables::STEPS / (high - low))).round.clip(0, FormTables::STEPS))
      end
    FormTables::STEPS = 400
  end
end
