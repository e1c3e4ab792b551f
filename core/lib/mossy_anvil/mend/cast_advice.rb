# frozen_string_literal: true

module MossyAnvil
  module Mend
    # What there is to say of a casting before it is poured.
    class CastAdvice
      # pour: Pour; plan: PourPlan; detail: CastDetail as plain data.
      def initialize(pour, plan, detail)
        @pour, @plan, @detail = pour, plan, detail
      end

      # List of advice.
      def to_a
        [*pot, heat, layers, quick, floats, *colours, insert, *lying, oven].compact
      end

      private

      def say(tone, key, figure: nil, **amounts)
        {
          tone: tone.to_s,
          figure: figure && "#{@pour.at}/#{figure}",
          **Message.of("steps.cast.says.#{key}", **amounts)
        }
      end

      def pot
        given = @detail[:pot] or return []
        [
          (say(:stop, "pot_too_small") unless given[:fits]),
          if given[:within_rating]
            say(:plain, "bubble", figure: "bubble_mm", bubble: [@detail[:bubble_mm], "mm"])
          else
            say(:stop, "over_rating", bar: [given[:bar], "bar"], rated: [given[:rated_bar], "bar"])
          end
        ]
      end

      def heat
        peak = @detail[:at_once_c]
        verdict = @plan.verdict(peak)
        say(
          { "fine" => :go, "care" => :care }.fetch(verdict, :stop),
          "peak_#{verdict}",
          figure: "at_once_c",
          peak: [peak, "C"]
        )
      end

      def layers
        return say(:stop, "too_quick_a_resin") if @plan.hopeless?

        first = @detail[:layers].first
        return if @detail[:layers].one?

        say(
          :care,
          "layers",
          figure: "deepest_mm",
          n: [@detail[:layers].size, ""],
          thick: [first[:thick_mm], "mm"],
          from: [first[:next_from_h], "h"],
          until: [first[:next_until_h], "h"]
        )
      end

      def quick
        slow = @detail[:layers].find { |layer| layer[:too_quick] } or return
        say(:stop, "not_in_time", handling: [slow[:handling_min], "min"], working: [slow[:working_min], "min"])
      end

      def floats
        return unless @detail[:lift_n].positive?

        say(:care, "floats", figure: "lift_n", weight: [@detail[:hold_down_g], "g"])
      end

      def colours
        list = @pour.given[:colours] or return []
        sum = list.sum { |colour| colour[:share] }
        made = @detail[:colours]
        used = made.filter_map { |colour| colour[:with] if colour[:pigment_g].positive? }.uniq
        [
          ((sum - 1).abs > 0.001 ? say(:stop, "colours", sum: [sum * 100, "%"]) : nil),
          *made.filter_map { |colour| too_much(colour) if colour[:pigment_pct] > most_pct(colour) },
          *used.map { |key| say(:plain, "pigment", caution: Table.term("pigments", key, "caution")) }
        ]
      end

      def too_much(colour)
        name, pigment = Message.text(colour[:name]), Table.term("pigments", colour[:with])
        say(:care, "too_much_pigment", colour: name, pigment: pigment, most: [most_pct(colour), "%"])
      end

      def most_pct(colour) = @pour.pigment(colour[:with])["most_pct"]

      def insert
        given = @detail[:insert] or return
        off = @pour.in_mould.off_mm
        return too_far_off(off, given) if off > given[:most_offset_mm]
        return if given[:most_offset_mm] > @pour.in_mould.rooms.values.min

        say(
          :plain,
          "in_the_middle",
          figure: "insert/most_offset_mm",
          most: [given[:most_offset_mm], "mm"],
          start: [given[:start_rpm], "rpm"]
        )
      end

      def too_far_off(off, given)
        say(
          :stop,
          "off_the_middle",
          figure: "insert/most_offset_mm",
          off: [off, "mm"],
          start: [given[:start_rpm], "rpm"],
          most: [given[:most_offset_mm], "mm"]
        )
      end

      # Where it lies: into the wall, or out over the pour.
      def lying
        place = @detail[:mould][:in_it] or return []
        side, room = place[:rooms].min_by(&:last)
        [
          (
            if room.negative?
              say(:stop, "mould_too_small", side: Message.term("mould_sides.#{side}"), over: [-room, "mm"])
            end
          ),
          (say(:care, "stands_out", out: [place[:stands_out_mm], "mm"]) if place[:stands_out_mm] > 0.5)
        ]
      end

      def oven
        given = @detail[:oven] or return
        soft = @pour.resin.row["soft_from_c"]
        values = {
          ramp: [given[:ramp_h], "h"],
          oven: [given[:oven_c], "C"],
          heat: [given[:heat_h], "h"],
          hold: [given[:hold_h], "h"]
        }
        return say(:plain, "oven", figure: "heat_h", **values) if soft.nil? || given[:oven_c] <= soft

        say(:care, "oven_soft", figure: "heat_h", **values, soft: [soft, "C"])
      end
    end
  end
end
