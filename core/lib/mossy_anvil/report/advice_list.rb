# frozen_string_literal: true

module MossyAnvil
  module Report
    # The sentences an old hand would say, station by station, made from the numbers of an assessment.
    # Each carries its amounts apart from its words, so that a screen can show them in mm or inches,
    # and points at the number whose working it rests on.
    class AdviceList
      include AdviceBuilder

      OPENINGS = { stop: "Unsafe as planned.", not_worth_it: "Not worth it.", dry: "Dry first.", mend: "Mend first.", care: "Go with care.", go: "Go." }.freeze
      HELD_BY_TROUBLE = %w[imbalance burst crack loose_piece].freeze
      SCALE_AGREES = 0.06
      # A centre of mass so near the axis needs nothing done.
      BALANCED_WITHIN_MM = 0.1
      LIGHTER_THAN_TABLE = 0.8

      # report: the assessment as plain data so far (stages, defects, form, drying, finish).
      def initialize(blank, report)
        super
        # The stage to speak of: the first that cannot be run at all, else the last; as it stands where there is no form yet.
        @last_name = report[:stages].find { |_, stage| stage[:not_like_this] }&.first || (report[:form] ? report[:stages].keys.last : :blank)
        @last = report[:stages][@last_name]
      end

      # { survey: [finding], form: ..., mend: ..., turn: ..., finish: ... }; the first of each is its headline.
      def to_h
        { survey: [headline, *survey], form: FormAdvice.new(@blank, @report).to_a, mend: MendAdvice.new(@blank, @report).to_a,
          turn: TurnAdvice.new(@blank, @report).to_a, finish: FinishAdvice.new(@blank, @report).to_a }
      end

      # :stop, :not_worth_it, :dry, :mend, :care or :go.
      def verdict
        return :stop if stopped?
        return :not_worth_it if @report[:worth] && !@report[:worth][:pays]
        return too_wet_to_mend? ? :dry : :mend if to_mend.any?

        @last[:fragile] || @report[:stages].any? { |_, stage| HELD_BY_TROUBLE.include?(stage[:governed_by]) } ? :care : :go
      end

      private

      def stopped? = @last[:not_like_this] || struck.any? || @report[:freed].any?
      def too_wet_to_mend? = filler_gate_pct && wetter_than?(filler_gate_pct)

      # What governs the last stage, or the first stage that cannot be run at all.
      def headline
        opening = struck.any? ? "Unsafe as planned: an edge would strike #{struck.join(', ')}." : OPENINGS.fetch(verdict)
        stage = STAGE_WORDS.fetch(@last_name)
        limit = [@last[:limit_rpm], "rpm"]
        figure = "/stages/#{@last_name}/limit_rpm"
        return say(:stop, "#{opening} #{stage}, #{no_speed(@last)}. #{lifts(@last)}", figure: figure, limit: limit) if @last[:not_like_this]

        why, values = governs
        say({ go: :go, stop: :stop }.fetch(verdict, :care), "#{opening} #{stage}, limit {limit}: #{why}.", figure: figure, limit: limit, **values)
      end

      # What grows first is said first: beside the tip of a crack the splitting speed of the whole section is no comfort.
      def governs
        why, values = cause
        return [why, values] unless grows_first?(@last) && @last[:governed_by] != "crack"

        [[why, grows].join("; "), { **values, **runs }]
      end

      def cause
        case @last[:governed_by]
        when "burst" then ["it splits along {plane} at about {burst}", { plane: [@last[:weak_plane_clock_deg], "plane"], burst: [@last[:burst_rpm], "rpm"] }]
        when "crack" then [grows, runs]
        else ["set by #{Turn::StageLimit::NAMES.fetch(@last[:governed_by])}", {}]
        end
      end

      def grows = "#{parted(@last[:crack_runs_at])} would grow at about {runs}"
      def runs = { runs: [@last[:crack_runs_rpm], "rpm"] }

      def survey
        first = @report[:stages][:blank]
        tests, cautions = [TestAdvice, Cautions].map { |kind| kind.new(@blank, @report).to_a }
        [worth, *freed, *meetings, *tests, splits, weight(first), density, balance(first), *cautions].compact
      end

      def balance(first)
        if first[:heavy_clock_deg].nil? || first[:imbalance_g_mm] < BALANCED_WITHIN_MM * first[:mass_g]
          return say(:plain, "It balances on this axis.", figure: "/stages/blank/imbalance_g_mm")
        end

        moved, weight = first.values_at(:recentre, :counterweight)
        what = [("Move the centres {moved} towards {side} first." if moved), *weighed(weight, moved), ("Start slow." unless moved || weight)].compact.join(" ")
        say(:care, "Heavy at {side} ({imbalance}). #{what}", figure: "/stages/blank/imbalance_g_mm", side: [first[:heavy_clock_deg], "clock"],
          imbalance: [first[:imbalance_g_mm], "g mm"], **(moved ? { moved: [moved[:mm], "mm"] } : {}), **(weight ? weight_values(weight) : {}))
      end

      def weighed(weight, moved)
        if weight
          ["#{moved ? 'Or a counterweight' : 'Counterweight'}: {weight} at {opposite}, {radius} out#{', or start slow' unless moved}."]
        else
          []
        end
      end

      def weight_values(weight) = { weight: [weight[:mass_g], "g"], opposite: [weight[:clock_deg], "clock"], radius: [weight[:radius_mm], "mm"] }

      def worth
        sums = @report[:worth] or return
        amounts = { outcome: [sums[:outcome], "money"], cost: [sums[:cost], "money"], margin: [sums[:margin].abs, "money"] }
        return say(:go, "It should fetch {outcome} against {cost} of blank, mending and hours: {margin} over.", figure: "/worth/margin", **amounts) if sums[:pays]

        say(:care, "It would fetch {outcome} and takes {cost} of blank, mending and hours: {margin} short.", figure: "/worth/margin", **amounts)
      end

      def freed
        @report[:freed].each_with_index.map do |piece, index|
          say(:stop, "#{piece[:ids].join(' and ')} free a piece of about {mass} between them, at {side}, {z} from the head: pry it off or glue it before the lathe turns.",
            figure: "/freed/#{index}/mass_g", mass: [piece[:mass_g], "g"], side: [piece[:clock_deg], "clock"], z: [piece[:z_mm], "mm"])
        end
      end

      # Those that free a piece are spoken of already.
      def meetings
        spoken = @report[:freed].map { |piece| piece[:ids] }
        @report[:meetings].reject { |meeting| spoken.any? { |ids| (meeting[:ids] - ids).empty? } }.map do |meeting|
          how = meeting[:likely] ? "run into each other" : "would run into each other, if as deep as they may be,"
          say(:care, "#{meeting[:ids].join(' and ')} #{how} at {side}, {r} from the axis and {z} from the head: look there again whenever the lathe stops.",
            side: [meeting[:clock_deg], "clock"], r: [meeting[:r_mm], "mm"], z: [meeting[:z_mm], "mm"])
        end
      end

      # By its measures and, where it has been on the scale, by that: far apart, one of them is wrong.
      def weight(first)
        mass = [first[:mass_g], "g"]
        scale_g = @blank.readings.select { |reading| reading[:kind] == "mass" }.max_by { |reading| Time.parse(reading[:taken_at]) }&.fetch(:value)
        return say(:plain, "Weighs {mass} by its measures.", figure: "/stages/blank/mass_g", mass: mass) unless scale_g

        expected_g = first[:mass_g] * at_present_moisture
        if (scale_g / expected_g - 1).abs <= SCALE_AGREES
          return say(:plain, "Weighs {scale} on the scale, as its measures say.", figure: "/stages/blank/mass_g",
            scale: [scale_g, "g"])
        end

        say(:care, "The scale says {scale}, its measures {mass}: check the density, the sizes, or what is hidden inside.",
          figure: "/stages/blank/mass_g", scale: [scale_g, "g"], mass: [expected_g, "g"])
      end

      # Wood a good deal lighter than its kind has gone: rot, or the figure is wrong.
      def density
        stock = @blank.material.stock
        return unless stock&.wood? && @blank.material.kind == "wood"

        usual = stock.density_kg_m3 / 1.12 * (1 + (@blank.material.moisture_pct / 100))
        return if @blank.material.wood_kg_m3 >= usual * LIGHTER_THAN_TABLE

        say(:care, "{own} is light for #{stock.name}, which is about {usual}: look for rot, or check the weight.",
          own: [@blank.material.density_kg_m3, "kg/m3"], usual: [usual, "kg/m3"])
      end

      # What the drying since the density was taken does to the mass.
      def at_present_moisture
        water = @report[:drying] or return 1.0
        (1 + (water[:moisture_pct] / 100)) / (1 + (@blank.material.moisture_pct / 100))
      end

      # Where it would come apart, unless the headline says so already.
      def splits
        return if @last[:burst_rpm].nil? || @last[:governed_by] == "burst" || @last[:limit_rpm].zero?

        what = "#{STAGE_WORDS.fetch(@last_name)}, the weakest plane is {plane}, splitting at about {burst}."
        what += " That leaves out the stress at the tip of what is open, which grows sooner." if grows_first?(@last)
        say(:plain, what, figure: "/stages/#{@last_name}/burst_rpm", plane: [@last[:weak_plane_clock_deg], "plane"], burst: [@last[:burst_rpm], "rpm"])
      end
    end
  end
end
