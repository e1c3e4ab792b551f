# frozen_string_literal: true

require "time"

module MossyAnvil
  module Report
    # Where the wood stands with its water and when it will be dry enough for what.
    class DryingReport
      DAY_S = 86_400.0
      # How far the rule of thumb for tau may be out, either way, and how far the shop's humidity wanders.
      RULE_BAND = [0.7, 1.5].freeze
      HUMIDITY_WANDERS = 0.04
      SAME_DAY = 1.5
      # Pins older than this tell nothing of where the water lies today.
      PINS_HOLD_DAYS = 7

      # now: a Time, or nil to count from the last reading. records: Model::ShopRecords.
      def initialize(blank, climate, workings, now: nil, records: Model::ShopRecords.new)
        @blank = blank
        @records = records
        @climate = climate
        @workings = workings
        @masses, @moistures = %w[mass moisture].map { |kind| timed(kind) }
        # With resin in it, its weight no longer tells its water.
        @masses = [] if blank.material.resin_kg_m3.positive?
        # Nor does what it weighed before it was roughed out tell of what is left.
        roughed = blank.roughed_out
        @masses = @masses.select { |time, _| time.to_date.iso8601 > roughed[:on] } if roughed
        @roughed = known_when_roughed(roughed) if roughed && roughed[:moisture_pct]
        @now = now || [@masses.last, @moistures.last, @roughed].compact.map(&:first).max
      end

      # nil for stock that holds no water.
      def to_h
        return unless @blank.material.wooden?

        {
          emc_pct: emc,
          moisture_pct: moisture_now,
          moisture_basis: @basis.to_s,
          oven_dry_mass_g: oven_dry,
          thickness_mm: @blank.drying_thickness_mm,
          tau_days: tau,
          tau_from_records: !refit.nil?,
          tau_times: refit && (refit[0] / fastest_tau(gravity)),
          tau_own_records: refit ? 0 : @records.count("drying_factor", species),
          profile: profile,
          free_water_days: drying.free_water_days(moisture_now),
          targets: targets,
          shrinkage: shrinkage
        }
      end

      # [likely, earliest, latest] days from one moisture to another in some air at a pace over that of the open shelf;
      # nil where it never gets there.
      # Earliest and latest: a quicker piece in drier air, a slower one in damper air.
      # about: air: and wander: of its humidity, the shop's unsaid; pace: over that of the open shelf; thickness_mm: of
      # the section that dries, the whole blank's unsaid.
      def forecast(to_pct, from_pct: moisture_now, **about)
        air, wander, pace =
          { air: @climate, wander: HUMIDITY_WANDERS, pace: 1.0, **about }.values_at(:air, :wander, :pace)
        own = about[:thickness_mm] ? tau_of(about[:thickness_mm]) : tau
        likely = Mend::Drying.new(emc_pct: air.emc_pct, tau_days: own / pace).days(from_pct, to_pct)
        return nil, nil, nil unless likely

        [
          likely,
          *(refit ? refit_band : RULE_BAND)
            .zip([-wander, wander])
            .map do |share, shift|
              other = Mend::Moisture.emc_pct(air.temperature_c, (air.humidity + shift).clamp(0.005, 0.99))
              Mend::Drying.new(emc_pct: other, tau_days: own * share / pace).days(from_pct, to_pct)
            end
        ]
      end

      # Days of a section of that thickness, mm, which dries across it alone. Own weights of the whole blank tell how
      # far its wood is off the rule, and no more than the rule may be out: a blank also dries from its ends.
      def tau_of(thickness_mm)
        return tau if thickness_mm == @blank.drying_thickness_mm

        off = refit ? (tau / fastest_tau(gravity)).clamp(*RULE_BAND) : own_times
        Mend::Drying.tau_days(thickness_mm, gravity) * off
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

      def put(key, value, unit, formula, **about)
        @workings.put("/drying/#{key}", value: value, unit: unit, formula: formula, **about)
      end

      def emc
        @emc ||=
          put(
            "emc_pct",
            @climate.emc_pct,
            "%",
            "moisture_that_wood_comes_to",
            certainty: :derived,
            source: "hailwood_and_horrobin_wood_handbook",
            inputs: {
              "temperature" => [@climate.temperature_c, "C"],
              "humidity" => [@climate.humidity * 100, "%"]
            }
          )
      end

      # Oven-dry mass from a weight and moisture readings of about the same day; nil without such a pair.
      def oven_dry
        return @oven_dry if defined?(@oven_dry)

        pair = @masses.filter_map { |time, mass| (near = moistures_near(time)).any? && [mass, near] }.last
        @oven_dry =
          pair &&
            begin
              mean = pair[1].sum { |reading| reading[:value] } / pair[1].size
              put(
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

      def moistures_near(time)
        @moistures.select { |at, _| (at - time).abs <= SAME_DAY * DAY_S }.map(&:last)
      end

      # [days since the first weight, moisture] from every weight.
      def series
        return [] unless oven_dry

        @masses.map { |time, mass| [(time - @masses.first[0]) / DAY_S, ((mass[:value] / oven_dry) - 1) * 100] }
      end

      # Three weights or more say more of this piece than the rule does.
      def refit
        return @refit if defined?(@refit)

        points = series.select { |_, moisture| moisture <= Mend::Moisture::FIBRE_SATURATION_PCT }
        @refit = points.size >= 3 ? Mend::Drying.refit(points, @climate.emc_pct) : nil
      end

      def tau
        @tau ||= refit ? tau_from_weights : tau_by_rule
      end

      def tau_from_weights
        put(
          "tau_days",
          refit[0],
          "days",
          "least_squares_of_ln_moisture",
          certainty: :measured,
          source: "your_own_weights",
          inputs: {
            "weights" => [@masses.size, ""],
            "standard_error" => [refit[1] || 0.0, "days"]
          }
        )
      end

      def tau_by_rule
        put(
          "tau_days",
          fastest_tau(gravity) * own_times,
          "days",
          own_times == 1 ? "thickness_squared_over_pi_squared" : "thickness_squared_by_own_records",
          certainty: :rule_of_thumb,
          source: @records.source("drying_factor", "heat_conduction_form_of_drying", species),
          inputs: {
            "thickness" => [@blank.drying_thickness_mm, "mm"],
            "dry_specific_gravity" => [gravity, ""],
            **(own_times == 1 ? {} : { "by_own_records" => [own_times, ""] })
          }
        )
      end

      # What this wood takes in this shop over what the rule says, by the shop's own records.
      def own_times = @own_times ||= @records.factor("drying_factor", species)
      def species = @blank.material.species

      # Specific gravity of the dry wood.
      def gravity = @blank.material.dry_density_kg_m3 / 1000

      # Across the grain by the least extent, or along it by the extent the fibres run in; a wall across it alone, its
      # ends sealed.
      def fastest_tau(gravity)
        along = { "end" => @blank.shape.length_mm, "face" => @blank.shape.across_mm }[@blank.material.grain]
        along = nil if @blank.roughed_out
        [
          Mend::Drying.tau_days(@blank.drying_thickness_mm, gravity),
          along && Mend::Drying.tau_days(along, gravity, along_grain: true)
        ].compact.min
      end

      def drying = @drying ||= Mend::Drying.new(emc_pct: emc, tau_days: tau)

      def moisture_now
        @moisture_now ||=
          begin
            time, value, @basis = last_known
            days = time && @now ? [(@now - time) / DAY_S, 0].max : 0.0
            put(
              "moisture_pct",
              forward(value, days),
              "%",
              days > 0.5 ? "last_reading_carried_on_by" : "last_reading",
              certainty: days > 0.5 ? :derived : :measured,
              source: "your_readings",
              inputs: {
                "last_known" => [value, "%"],
                "days_since" => [days, "days"]
              }
            )
          end
      end

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
          put(
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

      # The wettest of the readings of that day: a dry skin must not hide a wet heart.
      def wettest_of(time) = moistures_near(time).map { |reading| reading[:value] }.max

      def forward(value, days)
        return value if value <= emc || days.zero?

        free = drying.free_water_days(value)
        return value - ((value - Mend::Moisture::FIBRE_SATURATION_PCT) * days / free) if days < free

        start = [value, Mend::Moisture::FIBRE_SATURATION_PCT].min
        emc + ((start - emc) * Math.exp(-(days - free) / tau))
      end

      def targets
        Table["gates"]["rows"].map do |row|
          days, low, high = forecast(row["at_most_pct"])
          {
            key: row["key"],
            at_most_pct: row["at_most_pct"],
            ready: days&.zero? || false,
            days: target_days(row, days),
            days_early: low,
            days_late: high,
            out_of_reach: days.nil?
          }
        end
      end

      def target_days(row, days)
        put(
          "targets/#{row["key"]}/days",
          days,
          "days",
          days ? "drying_curve_from_now_to" : "the_air_here_is_too",
          certainty: refit ? :derived : :rule_of_thumb,
          source: Table["gates"]["source"],
          inputs: {
            "now" => [moisture_now, "%"],
            "gate" => [row["at_most_pct"], "%"],
            "emc" => [emc, "%"],
            "tau" => [tau, "days"]
          }
        )
      end

      # What a round of it comes to, across and along the rings, once it is as dry as this air; nil where the wood is
      # not in the table or done shrinking.
      def shrinkage
        stock = @blank.material.stock
        return unless stock&.wood? && moisture_now > emc + 1

        {
          from_mm: @blank.shape.across_mm,
          along_rings_mm: shrunk("along_rings_mm", stock.tangential_pct),
          across_rings_mm: shrunk("across_rings_mm", stock.radial_pct)
        }
      end

      def shrunk(key, total_pct)
        across = @blank.shape.across_mm
        put(
          "shrinkage/#{key}",
          Mend::Shrinkage.size_mm(across, total_pct, emc, from_pct: moisture_now),
          "mm",
          "its_size_now_less_what",
          certainty: :rule_of_thumb,
          source: @blank.material.stock.source,
          inputs: {
            "across_now" => [across, "mm"],
            "moisture_now" => [moisture_now, "%"],
            "moisture_then" => [emc, "%"],
            "from_green_to_oven_dry" => [total_pct, "%"]
          }
        )
      end

      # Two standard errors of the fit either way, never tighter than a tenth.
      def refit_band
        spread = (2 * (refit[1] || (0.15 * tau)) / tau).clamp(0.1, 0.9)
        [1 - spread, 1 + spread]
      end
    end
  end
end
