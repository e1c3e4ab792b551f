# frozen_string_literal: true

module MossyAnvil
  module Report
    # The advice at the survey, below its headline: what is not looked at yet, what it is worth, what hangs loose, what
    # it weighs and how it lies.
    class SurveyAdvice
      include AdviceBuilder
      include LastStage

      SCALE_AGREES = 0.06
      # A centre of mass so near the axis needs nothing done.
      BALANCED_WITHIN_MM = 0.1
      LIGHTER_THAN_TABLE = 0.8

      # List of advice, the most dangerous first.
      def to_a
        first = @report[:stages][:blank]
        tests, cautions = [TestAdvice, Cautions].map { |kind| kind.new(@blank, @report).to_a }
        [
          unseen,
          value,
          *freed,
          *intersections,
          *tests,
          splits,
          weight(first),
          density,
          balance(first),
          *cautions
        ].compact
      end

      private

      def unseen
        seen = @report[:coverage]
        { tone: "stop", figure: nil, **Coverage.message(seen) } if seen[:needed]
      end

      def balance(first)
        figure = "/stages/blank/imbalance_g_mm"
        if first[:heavy_clock_deg].nil? || first[:imbalance_g_mm] < BALANCED_WITHIN_MM * first[:mass_g]
          return say(:plain, "balanced", figure: figure)
        end

        moved, weight = first.values_at(:recentre, :counterweight)
        say(
          :care,
          ["heavy", ("move" if moved), ("weight" if weight)].compact.join("_"),
          figure: figure,
          side: [first[:heavy_clock_deg], "clock"],
          imbalance: [first[:imbalance_g_mm], "g mm"],
          moved: moved && [moved[:mm], "mm"],
          **(weight ? weight_amounts(weight) : {})
        )
      end

      def weight_amounts(weight) =
        { weight: [weight[:mass_g], "g"], opposite: [weight[:clock_deg], "clock"], radius: [weight[:radius_mm], "mm"] }

      def value
        sums = @report[:worth] or return
        say(
          sums[:pays] ? :go : :care,
          sums[:pays] ? "pays" : "pays_not",
          figure: "/worth/margin",
          outcome: [sums[:outcome], "money"],
          cost: [sums[:cost], "money"],
          margin: [sums[:margin].abs, "money"]
        )
      end

      def freed
        @report[:freed].each_with_index.map do |piece, index|
          say(
            :stop,
            "freed",
            figure: "/freed/#{index}/mass_g",
            ids: Message.ids(piece[:ids]),
            mass: [piece[:mass_g], "g"],
            side: [piece[:clock_deg], "clock"],
            z: [piece[:z_mm], "mm"]
          )
        end
      end

      # Those that free a piece are spoken of already.
      def intersections
        spoken = @report[:freed].map { |piece| piece[:ids] }
        @report[:meetings]
          .reject { |meeting| spoken.any? { |ids| (meeting[:ids] - ids).empty? } }
          .map do |meeting|
            say(
              :care,
              meeting[:likely] ? "intersect" : "may_intersect",
              ids: Message.ids(meeting[:ids]),
              side: [meeting[:clock_deg], "clock"],
              r: [meeting[:r_mm], "mm"],
              z: [meeting[:z_mm], "mm"]
            )
          end
      end

      # By its measures and, where it has been on the scale, by that: far apart, one of them is wrong.
      def weight(first)
        figure = "/stages/blank/mass_g"
        scale_g =
          @blank
            .readings
            .select { |reading| reading[:kind] == "mass" }
            .max_by { |reading| Time.parse(reading[:taken_at]) }
            &.fetch(:value)
        return say(:plain, "weight", figure: figure, mass: [first[:mass_g], "g"]) unless scale_g

        expected_g = first[:mass_g] * at_present_moisture
        if (scale_g / expected_g - 1).abs <= SCALE_AGREES
          return say(:plain, "weight_agrees", figure: figure, scale: [scale_g, "g"])
        end

        say(:care, "weight_differs", figure: figure, scale: [scale_g, "g"], mass: [expected_g, "g"])
      end

      # Wood a good deal lighter than its kind has gone: rot, or the figure is wrong.
      def density
        stock = @blank.material.stock
        return unless stock&.wood? && @blank.material.kind == "wood"

        usual = stock.density_kg_m3 / 1.12 * (1 + (@blank.material.moisture_pct / 100))
        return if @blank.material.wood_kg_m3 >= usual * LIGHTER_THAN_TABLE

        say(
          :care,
          "light_wood",
          own: [@blank.material.density_kg_m3, "kg/m3"],
          stock: stock.term,
          usual: [usual, "kg/m3"]
        )
      end

      # What the drying since the density was taken does to the mass.
      def at_present_moisture
        water = @report[:drying] or return 1.0
        (1 + (water[:moisture_pct] / 100)) / (1 + (@blank.material.moisture_pct / 100))
      end

      # Where it would come apart, unless the headline says so already.
      def splits
        return if @last[:burst_rpm].nil? || @last[:governed_by] == "burst" || @last[:limit_rpm].zero?

        say(
          :plain,
          grows_first?(@last) ? "weakest_plane_but" : "weakest_plane",
          figure: "/stages/#{@last_name}/burst_rpm",
          stage: stage_term(@last_name),
          plane: [@last[:weak_plane_clock_deg], "plane"],
          burst: [@last[:burst_rpm], "rpm"]
        )
      end
    end
  end
end
