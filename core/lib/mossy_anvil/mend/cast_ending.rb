# frozen_string_literal: true

module MossyAnvil
  module Mend
    # What to do with a casting once it is poured: in the mould, out of it, through the oven and under the saw.
    class CastEnding
      # How much longer than likely a wait in the mould may be.
      LATE = 1.3

      # detail: CastDetail as plain data; cured_h: until it is cured through without an oven.
      def initialize(detail, cured_h:)
        @detail = detail
        @cured_h = cured_h
      end

      # List of plain lines, as CardLine has them.
      def to_a
        demould = @detail[:demould_h] * 60
        [
          line(:measure, "cast.line.mixed", measures: :used_g),
          line(:measure, "cast.line.gelled", measures: :gel_min),
          line(:wait, "cast.line.in_mould", minutes: [demould, demould * LATE], unlocks: "demould"),
          line(:do, "cast.line.demould"),
          *oven,
          *saw,
          *(@detail[:oven] ? [] : [cured(demould)])
        ]
      end

      private

      def line(...) = CardLine.of(...).to_h

      def saw
        count, each = @detail[:pieces]&.values_at(:count, :each_mm)
        count ? [line(:do, "cast.line.saw", n: [count, ""], each: [each, "mm"])] : []
      end

      def cured(demould) =
        line(:wait, "line.cured", minutes: [(@cured_h * 60) - demould] * 2, unlocks: "food_and_finish").merge(
          optional: true
        )

      def oven
        given = @detail[:oven] or return []
        warm, down = (given[:ramp_h] + given[:heat_h]) * 60, given[:heat_h] * 60
        [
          line(
            :wait,
            "cast.line.oven_up",
            minutes: [warm, warm * 1.2],
            cure: false,
            oven: [given[:oven_c], "C"],
            pace: [Table["casting"]["post_cure"]["ramp_k_h"], "K"],
            unlocks: "hold"
          ),
          line(
            :wait,
            "cast.line.oven_hold",
            minutes: [given[:hold_h] * 60] * 2,
            cure: false,
            oven: [given[:oven_c], "C"],
            unlocks: "cool"
          ),
          line(:wait, "cast.line.oven_down", minutes: [down, down * 1.3], cure: false, unlocks: "food_and_finish")
        ]
      end
    end
  end
end
