# frozen_string_literal: true

module MossyAnvil
  module Mend
    # Where a section dries, one place after another, so that its skin does not check: wrapped in its own shavings first
    # and no faster than SafeDrying lets it, then in the open bag, then on the shelf. It leaves a place once the next
    # one's air would not make the skin drier than it may be (the skin at the moisture of that air, at worst).
    class DryingRegimes
      PLACES = %w[shavings bag room].freeze

      # One place: key of the table of drying places; moisture it is put there at and taken out at, %; days earliest,
      # likely and latest (nil where damper air never gets it there); rate_bound: the safe rate decides, not the air.
      # curve: [[day of it, moisture], ...] as it is likely to go, none where it never gets there.
      Stretch = Struct.new(:place, :from_pct, :to_pct, :emc_pct, :days, :rate_bound, :curve, keyword_init: true)
      CURVE_POINTS = 12

      # safe: SafeDrying, nil for stock that does not shrink. airs: { place key => [emc_pct, pace] }.
      # forecast: (to_pct, from_pct, place key) -> [likely, earliest, latest] days of that section in that place.
      def initialize(safe:, airs:, &forecast)
        @safe = safe
        @airs = airs
        @forecast = forecast
      end

      # List of Stretch from one moisture to another; empty where it is there already. The last one has no days where
      # this air never gets it there.
      def stretches(from_pct, to_pct)
        places = @safe ? PLACES : PLACES.last(1)
        places.each_with_index.filter_map do |place, index|
          goal = [to_pct, leaves_at(places[index + 1])].compact.max
          next if from_pct <= goal || (goal <= @airs.fetch(place)[0] && index < places.size - 1)

          stretch(place, from_pct, goal, held: index.zero? && !@safe.nil?).tap { from_pct = goal }
        end
      end

      # One place alone. held: it is opened and closed by weight there, and so goes no faster than it may.
      def stretch(place, from_pct, to_pct, held: false)
        likely, early, late = @forecast.call(to_pct, from_pct, place)
        least = held ? @safe.days(from_pct, to_pct) : 0
        bound = !likely.nil? && least > likely
        Stretch.new(
          place: place,
          from_pct: from_pct,
          to_pct: to_pct,
          emc_pct: @airs.fetch(place)[0],
          days: [early, likely, late].map { |days| days && [days, least].max },
          rate_bound: bound,
          curve: bound ? [[0.0, from_pct], [least, to_pct]] : curve(place, from_pct, to_pct, likely)
        )
      end

      private

      # Moisture at which the next place no longer makes the skin too dry; nil after the last.
      def leaves_at(place) = place && (@airs.fetch(place)[0] + @safe.drier_points)

      # Water over fibre saturation leaves steadily, what is under it ever slower.
      def curve(place, from_pct, to_pct, days)
        return [] if days.nil?

        bound_from = [from_pct, Moisture::FIBRE_SATURATION_PCT].min
        free = from_pct > bound_from ? @forecast.call([bound_from, to_pct].max, from_pct, place)[0] : 0.0
        emc = @airs.fetch(place)[0]
        bound =
          Array.new(CURVE_POINTS) do |index|
            share = (index + 1) / CURVE_POINTS.to_f
            [
              free + (share * (days - free)),
              emc + ((bound_from - emc) * (((to_pct - emc) / (bound_from - emc))**share))
            ]
          end
        [[0.0, from_pct], *([[free, bound_from]] if free.positive?), *(bound if to_pct < bound_from)]
      end
    end
  end
end
