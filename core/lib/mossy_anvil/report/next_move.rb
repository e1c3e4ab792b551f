# frozen_string_literal: true

module MossyAnvil
  module Report
    # The one thing to do now, or what the piece waits for.
    class NextMove
      include ReportQueries

      WEIGH_EVERY_DAYS = 7

      # report: assessment as plain data with stages, defects, drying. planned: steps of the turner's own plan of
      # mending, if there is one. choices: { question => answer } of the route; roughed: it is roughed out.
      def initialize(report, planned: [], choices: {}, roughed: false)
        @report = report
        @planned = planned
        @choices = choices
        @roughed = roughed
      end

      # station: where it is done; action: "weigh", "mend", "log_cut", "draw_form" or "survey"; ready: can be done now.
      def to_h = first_of_all || once_it_has_a_form

      private

      # What comes before any plan.
      def first_of_all
        if freed.any?
          move("survey", "survey", "free", ids: Message.ids(freed.first))
        elsif struck.any?
          move("survey", "survey", "take_out", ids: Message.ids(struck))
        elsif @report[:coverage][:needed]
          move("survey", "survey", "look_over", what: Coverage.message(@report[:coverage]))
        elsif @report[:form].nil?
          move("form", "draw_form", "draw_form")
        end
      end

      def once_it_has_a_form
        if @planned.any?
          move("mend", "mend", "by_plan", steps: Message.count(@planned.size))
        elsif rough_first?
          rough_out
        elsif @choices["wet"] != "turn_wet" && wetter_than?(gate_pct)
          weigh
        elsif to_mend.any?
          move("mend", "mend", "mend", ids: Message.ids(to_mend.map { |defect| defect[:id] }))
        else
          turn
        end
      end

      def move(station, action, key, ready: true, **amounts)
        { station: station, action: action, ready: ready, **Message.of("move.#{key}", **amounts) }
      end

      def freed = @report[:freed].map { |piece| piece[:ids] }

      # What the route mends only once the lathe has turned does not come first; what would come loose always does.
      def to_mend
        super.reject do |defect|
          Route::Questions.put_off?(defect[:type], @choices) && !%w[hold remove_now].include?(defect[:verdict])
        end
      end

      # Is it wet, and its hollow to be roughed out before it is dried?
      def rough_first?
        rough = @report[:form][:rough]
        return false if rough.nil? || @roughed

        wet = @choices["wet"]
        wet ? wet == "rough_out" : Route::Questions.rough_first?(@report[:drying][:thickness_mm], rough[:wall_mm])
      end

      def rough_out
        stage = @report[:stages].values.first
        return turn if stage[:unsafe]

        wall = @report[:form][:rough][:wall_mm]
        move("turn", "log_cut", "rough_out", wall: [wall, "mm"], limit: [stage[:limit_rpm], "rpm"])
      end

      # The driest gate the mend asks for; nothing to mend waits for the film finish only if it is well above.
      def gate_pct = filler_gate_pct || 15

      def weigh
        target =
          @report[:drying][:targets].select { |row| row[:at_most_pct] >= gate_pct }.min_by { |row| row[:at_most_pct] }
        if target.nil? || target[:out_of_reach]
          return move("mend", "weigh", "somewhere_drier", ready: false, gate: [gate_pct, "%"])
        end

        wait = [target[:days] / 2, WEIGH_EVERY_DAYS].min.ceil
        move(
          "mend",
          "weigh",
          "dry",
          ready: false,
          left: [target[:days], "days"],
          early: [target[:days_early], "days"],
          gate: [gate_pct, "%"],
          wait: [wait, "days"]
        )
      end

      def turn
        stage = @report[:stages].values.first
        if stage[:unsafe]
          return move("turn", "survey", "unsafe", lifts: Message.of("caps.#{stage[:governed_by]}.lifts"))
        end

        start = stage[:speed_steps_rpm].first || stage[:limit_rpm]
        move("turn", "log_cut", "mount", start: [start, "rpm"], limit: [stage[:limit_rpm], "rpm"])
      end
    end
  end
end
