# frozen_string_literal: true

require "time"

module MossyAnvil
  module Report
    # What the scale and the meter said of a blank's water, and what follows from them by themselves.
    class MoistureReadings
      DAY_S = 86_400.0
      SAME_DAY = 1.5
      # Pins older than this tell nothing of where the water lies today.
      PINS_HOLD_DAYS = 7

      # now: a Time, or nil to count from the last reading. put: keeps a number's working and gives it back, as
      # DryingReport's own.
      def initialize(blank, now, put)
        @blank = blank
        @put = put
        @masses, @moistures = %w[mass moisture].map { |kind| timed(kind) }
        # With resin in it, its weight no longer tells its water.
        @masses = [] if blank.material.resin_kg_m3.positive?
        # Nor does what it weighed before it was roughed out tell of what is left.
        roughed = blank.roughed_out
        @masses = @masses.select { |time, _| time.to_date.iso8601 > roughed[:on] } if roughed
        @roughed = known_when_roughed(roughed) if roughed && roughed[:moisture_pct]
        @now = now || [@masses.last, @moistures.last, @roughed].compact.map(&:first).max
      end

      def weights = @masses.size

      # Oven-dry mass from a weight and moisture readings of about the same day; nil without such a pair.
      def oven_dry
        return @oven_dry if defined?(@oven_dry)

        pair = @masses.filter_map { |time, mass| (near = moistures_near(time)).any? && [mass, near] }.last
        @oven_dry =
          pair &&
            begin
              mean = pair[1].sum { |reading| reading[:value] } / pair[1].size
              @put.call(
                "oven_dry_mass_g",
                Mend::Moisture.oven_dry_mass_g(pair[0][:value], mean),
                "g",
                "weight_over_one_plus_moisture",
                certainty: :measured,
                source: "your_readings",
                inputs: {
                  "weight" => [pair[0][:value], "g"],
                  "moisture_mean_of_that_day" => [mean, "%"]
                }
              )
            end
      end

      # [days since the first weight, moisture] from every weight.
      def series
        return [] unless oven_dry

        @masses.map { |time, mass| [(time - @masses.first[0]) / DAY_S, ((mass[:value] / oven_dry) - 1) * 100] }
      end

      # Days from a time until now; 0 where either is not known.
      def days_since(time) = time && @now ? [(@now - time) / DAY_S, 0].max : 0.0

      # [time, moisture in per cent, :weight, :roughed, :meter or :taken_in] of what says it best and last.
      def last_known
        mass, moisture = @masses.last, @moistures.last
        if mass && oven_dry && (moisture.nil? || mass[0] >= moisture[0])
          return mass[0], ((mass[1][:value] / oven_dry) - 1) * 100, :weight
        end
        return @roughed if @roughed && (moisture.nil? || moisture[0] < @roughed[0])
        return moisture[0], wettest_of(moisture[0]), :meter if moisture

        [nil, @blank.material.moisture_pct, :taken_in]
      end

      # Skin, heart and average by the pins of the last day they went in, where they went to several depths; else nil.
      def profile
        time = @moistures.last&.first or return
        return if @now - time > PINS_HOLD_DAYS * DAY_S

        readings = moistures_near(time).map { |reading| [reading[:depth_mm], reading[:value]] }
        found = Mend::MoistureProfile.of(readings, @blank.drying_thickness_mm / 2) or return
        heart =
          @put.call(
            "profile/heart_pct",
            found.heart_pct,
            "%",
            "a_parabola_through_the_thickness",
            certainty: :rule_of_thumb,
            source: "regular_stage_of_drying_from",
            inputs: readings.to_h { |depth_mm, value| ["at_depth:#{depth_mm}", [value, "%"]] }
          )
        { skin_pct: found.skin_pct, heart_pct: heart, mean_pct: found.mean_pct, wet_heart: found.wet_heart? }
      end

      private

      # [time, moisture, :roughed]: how wet it was thought to be when it was roughed out.
      def known_when_roughed(mark) = [Time.parse("#{mark[:on]}T12:00:00Z"), mark[:moisture_pct].to_f, :roughed]

      def timed(kind)
        @blank
          .readings
          .select { |reading| reading[:kind] == kind }
          .map { |reading| [Time.parse(reading[:taken_at]), reading] }
          .sort_by(&:first)
      end

      def moistures_near(time)
        @moistures.select { |at, _| (at - time).abs <= SAME_DAY * DAY_S }.map(&:last)
      end

      # The wettest of the readings of that day: a dry skin must not hide a wet heart.
      def wettest_of(time) = moistures_near(time).map { |reading| reading[:value] }.max
    end
  end
end
