# frozen_string_literal: true

module MossyAnvil
  module Report
    # The advice for each station, made from the numbers of an assessment; the most dangerous first.
    class AdviceList
      include AdviceBuilder

      HELD_BY_DEFECTS = %w[imbalance burst crack loose_piece].freeze
      SCALE_AGREES = 0.06
      # A centre of mass so near the axis needs nothing done.
      BALANCED_WITHIN_MM = 0.1
      LIGHTER_THAN_TABLE = 0.8

      # report: the assessment as plain data so far (stages, defects, form, drying, finish).
      def initialize(blank, report)
        super
        # The stage to speak of: the first that cannot be run at all, else the last; as it stands where there is no form
        # yet.
        @last_name =
          report[:stages].find { |_, stage| stage[:unsafe] }&.first ||
            (report[:form] ? report[:stages].keys.last : :blank)
        @last = report[:stages][@last_name]
      end

      # { survey: [advice], form: ..., mend: ..., turn: ..., finish: ... }; the first of each is its headline.
      def to_h
        {
          survey: [headline, *survey],
          form: FormAdvice.new(@blank, @report).to_a,
          mend: MendAdvice.new(@blank, @report).to_a,
          turn: TurnAdvice.new(@blank, @report).to_a,
          finish: FinishAdvice.new(@blank, @report).to_a
        }
      end

      # :stop, :not_worth_it, :dry, :mend, :care or :go.
      def verdict
        return :stop if stopped?
        return :not_worth_it if @report[:worth] && !@report[:worth][:pays]
        return too_wet_to_mend? ? :dry : :mend if to_mend.any?

        careful? ? :care : :go
      end

      private

      def careful? =
        unsurveyed? || @last[:fragile] ||
          @report[:stages].any? { |_, stage| HELD_BY_DEFECTS.include?(stage[:governed_by]) }

      # Nobody has looked at enough of a blank that is marked as difficult.
      def unsurveyed? = @report[:coverage][:needed]
      def unseen =
        (Coverage.message(@report[:coverage]).then { |told| { tone: "stop", figure: nil, **told } } if unsurveyed?)
      def stopped? = @last[:unsafe] || struck.any? || @report[:freed].any?
      def too_wet_to_mend? = filler_gate_pct && wetter_than?(filler_gate_pct)

      # What governs the last stage, or the first stage that cannot be run at all.
      def headline
        about = {
          opening: opening_words,
          stage: stage_term(@last_name),
          limit: [@last[:limit_rpm], "rpm"],
          figure: "/stages/#{@last_name}/limit_rpm"
        }
        if @last[:unsafe]
          return say(:stop, @last[:limit_rpm].zero? ? "no_speed" : "slower_than_lathe", **about, lifts: lifts(@last))
        end

        # Beside the tip of a crack the splitting speed of the whole section is no comfort.
        both = grows_first?(@last) && @last[:governed_by] != "crack"
        say(
          { go: :go, stop: :stop }.fetch(verdict, :care),
          both ? "limit_and_growth" : "limit",
          **about,
          cause: cause,
          **(both ? { growth: growth } : {})
        )
      end

      def opening_words
        if struck.any?
          Message.of("advice.opening.struck", ids: Message.ids(struck))
        else
          Message.of("advice.opening.#{verdict}")
        end
      end

      def cause
        case @last[:governed_by]
        when "burst"
          Message.of(
            "advice.splits_at",
            plane: [@last[:weak_plane_clock_deg], "plane"],
            burst: [@last[:burst_rpm], "rpm"]
          )
        when "crack"
          growth
        else
          Message.of("advice.limited_by", cause: cap_term(@last))
        end
      end

      def growth =
        Message.of("advice.grows_at", what: opened(@last[:crack_runs_at]), speed: [@last[:crack_runs_rpm], "rpm"])
      def cap_term(stage) = Message.term("caps.#{stage[:governed_by]}.name")

      def survey
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
