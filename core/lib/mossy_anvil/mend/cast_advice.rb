# frozen_string_literal: true

module MossyAnvil
  module Mend
    # What there is to say of a casting before it is poured.
    class CastAdvice
      SIDES = { left: "at the left", right: "at the right", front: "at the front", back: "at the back", around: "all round" }.freeze

      # step: CastStep; detail: its own.
      def initialize(step, detail)
        @step = step
        @detail = detail
      end

      # List of findings.
      def to_a
        [*pot, heat, layers, quick, floats, *colours, insert, *lying, oven].compact
      end

      private

      def say(tone, text, figure: nil, **values)
        said = values.map { |name, (value, unit)| { name: name.to_s, value: value, unit: unit } }
        { tone: tone.to_s, text: text, figure: figure && "#{@step.at}/#{figure}", values: said }
      end

      def pot
        given = @detail[:pot] or return []
        [(say(:stop, "The mould does not go into the pot.") unless given[:fits]),
         if given[:within_rating] then say(:plain, "A bubble of a millimetre or so shrinks to {bubble}.", figure: "bubble_mm", bubble: [@detail[:bubble_mm], "mm"])
         else say(:stop, "Never over the pot's own rating: {bar} asked, {rated} rated.", bar: [given[:bar], "bar"], rated: [given[:rated_bar], "bar"])
         end]
      end

      def heat
        peak = @detail[:at_once_c]
        tone, text = case @step.plan.verdict(peak)
                     when "fine" then [:go, "All at once it comes to {peak}: fine."]
                     when "care" then [:care, "All at once it comes to {peak}: it may yellow and leave shrink marks."]
                     else [:stop, "All at once it would come to {peak}: not as one pour."]
                     end
        say(tone, text, figure: "at_once_c", peak: [peak, "C"])
      end

      def layers
        return say(:stop, "Too quick a resin for this depth: not even thin layers stay cool. Take a slower one.") if @step.plan.hopeless?

        first = @detail[:layers].first
        return if @detail[:layers].one?

        say(:care, "{n} layers of {thick}; the next goes on from {from} to {until} after the last, later only on a sanded face.", figure: "deepest_mm",
          n: [@detail[:layers].size, ""], thick: [first[:thick_mm], "mm"], from: [first[:next_from_h], "h"], until: [first[:next_until_h], "h"])
      end

      def quick
        slow = @detail[:layers].find { |layer| layer[:too_quick] } or return
        say(:stop, "Mixing and pouring a cup takes {handling}, and it is workable for {working}: not in time.", handling: [slow[:handling_min], "min"],
          working: [slow[:working_min], "min"])
      end

      def floats
        return unless @detail[:lift_n].positive?

        say(:care, "What lies in it floats: glue it down, or {weight} on it.", figure: "lift_n", weight: [@detail[:hold_down_g], "g"])
      end

      def colours
        list = @step.data[:colours] or return []
        sum = list.sum { |colour| colour[:share] }
        loaded = @detail[:colours].select { |colour| colour[:pigment_pct] > most_pct(colour) }
        [((sum - 1).abs > 0.001 ? say(:stop, "The colours are {sum} of the resin in all: they must come to 100 %.", sum: [sum * 100, "%"]) : nil),
         *loaded.map { |colour| say(:care, "#{colour[:name]}: over {most} of #{@step.pigment(colour[:with])['name']} it may stay soft.", most: [most_pct(colour), "%"]) },
         *@detail[:colours].select { |colour| colour[:pigment_g].positive? }.map { |colour| @step.pigment(colour[:with])["caution"] }.uniq.map { |text| say(:plain, text) }]
      end

      def most_pct(colour) = @step.pigment(colour[:with])["most_pct"]

      def insert
        given = @detail[:insert] or return
        off = @step.in_mould.off_mm
        return too_far_off(off, given) if off > given[:most_offset_mm]
        return if given[:most_offset_mm] > @step.in_mould.rooms.values.min

        say(:plain, "Set it in the middle within {most}, for a start at {start}.", figure: "insert/most_offset_mm", most: [given[:most_offset_mm], "mm"],
          start: [given[:start_rpm], "rpm"])
      end

      def too_far_off(off, given)
        say(:stop, "Off by {off} it shakes more than the stand takes at {start}: at most {most}.", figure: "insert/most_offset_mm", off: [off, "mm"],
          start: [given[:start_rpm], "rpm"], most: [given[:most_offset_mm], "mm"])
      end

      # Where it lies: into the wall, or out over the pour.
      def lying
        place = @detail[:mould][:in_it] or return []
        side, room = place[:rooms].min_by(&:last)
        [(say(:stop, "The wood does not go into that mould: {over} too little #{SIDES.fetch(side)}.", over: [-room, "mm"]) if room.negative?),
         (say(:care, "{out} of the wood stands out over the pour.", out: [place[:stands_out_mm], "mm"]) if place[:stands_out_mm] > 0.5)]
      end

      def oven
        given = @detail[:oven] or return
        soft = @step.softens_c
        values = { ramp: [given[:ramp_h], "h"], oven: [given[:oven_c], "C"], heat: [given[:heat_h], "h"], hold: [given[:hold_h], "h"] }
        text = "Up to {oven} over {ramp}, the heart is there {heat} later, held for {hold}."
        return say(:plain, text, figure: "heat_h", **values) if soft.nil? || given[:oven_c] <= soft

        say(:care, "#{text} It is soft from {soft} until it has hardened further: lay it flat, borne all over.", figure: "heat_h", **values, soft: [soft, "C"])
      end
    end
  end
end
