# frozen_string_literal: true

module MossyAnvil
  module Report
    # The advice for each station, made from the numbers of an assessment; the most dangerous first.
    class AdviceList
      include AdviceBuilder
      include LastStage

      HELD_BY_DEFECTS = %w[imbalance burst crack loose_piece].freeze

      # { survey: [advice], form: ..., mend: ..., turn: ..., finish: ... }; the first of each is its headline.
      def to_h
        {
          survey: [headline, *SurveyAdvice.new(@blank, @report).to_a],
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
    end
  end
end
