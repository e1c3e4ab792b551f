# frozen_string_literal: true

module MossyAnvil
  module Report
    # Where the wood stands with its water and when it will be dry enough for what.
    class DryingReport
      # How far the shop's humidity wanders.
      HUMIDITY_WANDERS = 0.04

      # now: a Time, or nil to count from the last reading. records: Model::ShopRecords.
      def initialize(blank, climate, workings, now: nil, records: Model::ShopRecords.new)
        @blank = blank
        @climate = climate
        @workings = workings
        @readings = MoistureReadings.new(blank, now, method(:put))
        @time = DryingTime.new(blank, climate, @readings, records, method(:put))
      end

      # nil for stock that holds no water.
      def to_h
        return unless @blank.material.wooden?

        {
          emc_pct: emc,
          moisture_pct: moisture_now,
          moisture_basis: @basis.to_s,
          oven_dry_mass_g: @readings.oven_dry,
          thickness_mm: @blank.drying_thickness_mm,
          tau_days: tau,
          tau_from_records: @time.from_weights?,
          tau_times: @time.times,
          tau_own_records: @time.own_records,
          profile: @readings.profile,
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
        own = about[:thickness_mm] ? @time.tau_of(about[:thickness_mm]) : tau
        likely = Mend::Drying.new(emc_pct: air.emc_pct, tau_days: own / pace).days(from_pct, to_pct)
        return nil, nil, nil unless likely

        [
          likely,
          *@time
            .band
            .zip([-wander, wander])
            .map do |share, shift|
              other = Mend::Moisture.emc_pct(air.temperature_c, (air.humidity + shift).clamp(0.005, 0.99))
              Mend::Drying.new(emc_pct: other, tau_days: own * share / pace).days(from_pct, to_pct)
            end
        ]
      end

      # As DryingTime tells it.
      def tau_of(thickness_mm) = @time.tau_of(thickness_mm)

      private

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

      def tau = @time.tau
      def drying = @drying ||= Mend::Drying.new(emc_pct: emc, tau_days: tau)

      def moisture_now
        @moisture_now ||=
          begin
            time, value, @basis = @readings.last_known
            days = @readings.days_since(time)
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
          certainty: @time.from_weights? ? :derived : :rule_of_thumb,
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
    end
  end
end
