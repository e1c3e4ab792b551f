# frozen_string_literal: true

module MossyAnvil
  module Report
    # The time constant of a blank's drying: by its own weights where there are three or more, else by the rule and the
    # shop's records.
    class DryingTime
      # How far the rule of thumb may be out, either way.
      RULE_BAND = [0.7, 1.5].freeze

      # readings: MoistureReadings. records: Model::ShopRecords. put: as MoistureReadings takes it.
      def initialize(blank, climate, readings, records, put)
        @blank = blank
        @climate = climate
        @readings = readings
        @records = records
        @put = put
      end

      # Days.
      def tau
        @tau ||= refit ? tau_from_weights : tau_by_rule
      end

      # Days of a section of that thickness, mm, which dries across it alone. Own weights of the whole blank tell how
      # far its wood is off the rule, and no more than the rule may be out: a blank also dries from its ends.
      def tau_of(thickness_mm)
        return tau if thickness_mm == @blank.drying_thickness_mm

        off = refit ? (tau / fastest_tau(gravity)).clamp(*RULE_BAND) : own_times
        Mend::Drying.tau_days(thickness_mm, gravity) * off
      end

      # Earliest and latest over likely, as far as it is known.
      def band = refit ? refit_band : RULE_BAND
      # Do the piece's own weights tell it?
      def from_weights? = !refit.nil?
      # By its own weights over the rule; nil without them.
      def times = refit && (refit[0] / fastest_tau(gravity))
      def own_records = refit ? 0 : @records.count("drying_factor", species)

      private

      # Three weights or more say more of this piece than the rule does.
      def refit
        return @refit if defined?(@refit)

        points = @readings.series.select { |_, moisture| moisture <= Mend::Moisture::FIBRE_SATURATION_PCT }
        @refit = points.size >= 3 ? Mend::Drying.refit(points, @climate.emc_pct) : nil
      end

      def tau_from_weights
        @put.call(
          "tau_days",
          refit[0],
          "days",
          "least_squares_of_ln_moisture",
          certainty: :measured,
          source: "your_own_weights",
          inputs: {
            "weights" => [@readings.weights, ""],
            "standard_error" => [refit[1] || 0.0, "days"]
          }
        )
      end

      def tau_by_rule
        @put.call(
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

      # Two standard errors of the fit either way, never tighter than a tenth.
      def refit_band
        spread = (2 * (refit[1] || (0.15 * tau)) / tau).clamp(0.1, 0.9)
        [1 - spread, 1 + spread]
      end
    end
  end
end
