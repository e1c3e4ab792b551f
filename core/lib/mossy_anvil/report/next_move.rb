# frozen_string_literal: true

module MossyAnvil
  module Report
    # The one thing to do now, or what the piece waits for.
    class NextMove
      include ReportQueries

      WEIGH_EVERY_DAYS = 7

      # report: assessment as plain data with stages, defects, drying. planned: steps of the turner's own plan of mending, if there is one.
      def initialize(report, planned: [])
        @report = report
        @planned = planned
      end

      # station: where it is done; action: "weigh", "mend", "log_cut", "draw_form" or "survey"; ready: can be done now.
      def to_h
        if freed.any? then move("survey", "survey", "Take off or glue the piece that #{freed.first.join(' and ')} free before anything else.")
        elsif struck.any? then move("survey", "survey", "Take out #{struck.join(', ')} before anything else.")
        elsif @report[:form].nil? then move("form", "draw_form", "Decide what it can become, and where in the blank.")
        elsif @planned.any? then by_plan
        elsif wetter_than?(gate_pct) then weigh
        elsif to_mend.any? then move("mend", "mend", "Mend #{to_mend.map { |defect| defect[:id] }.join(', ')} before the lathe turns.")
        else turn
        end
      end

      private

      def move(station, action, text, ready: true, **values)
        { station: station, action: action, text: text, ready: ready, values: values.map { |name, (value, unit)| { name: name.to_s, value: value, unit: unit } } }
      end

      def by_plan
        move("mend", "mend", "Work by its plan of mending: {steps} to go.", steps: [@planned.size, @planned.one? ? "step" : "steps"])
      end

      def freed = @report[:freed].map { |piece| piece[:ids] }

      # The driest gate the mend asks for; nothing to mend waits for the film finish only if it is well above.
      def gate_pct = filler_gate_pct || 15

      def weigh
        target = @report[:drying][:targets].select { |row| row[:at_most_pct] >= gate_pct }.min_by { |row| row[:at_most_pct] }
        if target.nil? || target[:out_of_reach]
          return move("mend", "weigh", "It will not get to {gate} in this air: move it somewhere drier and weigh it.", ready: false, gate: [gate_pct, "%"])
        end

        wait = [target[:days] / 2, WEIGH_EVERY_DAYS].min.ceil
        move("mend", "weigh", "Put it back to dry: {left} to go to {gate}. Weigh it again in {wait}.", ready: false,
          left: [target[:days], "days"], early: [target[:days_early], "days"], gate: [gate_pct, "%"], wait: [wait, "days"])
      end

      def turn
        name, stage = @report[:stages].first
        return move("turn", "survey", "Unsafe as planned: #{stage[:lifts_it]}") if stage[:not_like_this]

        start = stage[:ladder_rpm].first || stage[:limit_rpm]
        move("turn", "log_cut", "Mount it, tailstock up, and start at {start}; stay below {limit}.", start: [start, "rpm"],
          limit: [@report[:stages][name][:limit_rpm], "rpm"])
      end
    end
  end
end
