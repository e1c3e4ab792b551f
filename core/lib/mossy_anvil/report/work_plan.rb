# frozen_string_literal: true

module MossyAnvil
  module Report
    # What is left to do of one piece, step by step, as the shop has to find time and room for it: its route, or where
    # it has no form yet what leads to one.
    class WorkPlan
      # What comes before anything can be said of when it is done.
      FIRST = %w[look_over place_form].freeze

      # blank and about: as RouteReport takes them.
      def initialize(blank, **about)
        @blank = blank
        @about = about
      end

      # Plain data. steps: [{ id:, kind:, stretch:, name:, hands_min:, wait_days: { earliest:, likely:, latest: } or
      # nil, on_lathe:, equipment: keys, within_min:, running: }]. stopped: why no step follows, a message; nil where
      # the last one finishes it.
      def to_h
        return { steps: before_a_form, stopped: Message.of("board.stopped.form") } unless @blank.form

        steps = ahead.take_while { |step| why_not(step).nil? }
        { steps: steps.each_with_index.map { |step, index| plain(step, index) }, stopped: stopped }
      end

      private

      def before_a_form
        FIRST
          .select { |kind| kind == "place_form" || @blank.coverage.needed? }
          .map do |kind|
            row = Table.row("route", kind)
            { **row_of(kind, row["stretch"], Message.of("route.kinds.#{kind}"), row["base_min"]), on_lathe: false }
          end
      end

      def row_of(kind, stretch, name, hands_min, **about)
        {
          id: kind,
          kind: kind,
          stretch: stretch,
          name: name,
          hands_min: hands_min,
          wait_days: nil,
          equipment: [],
          within_min: nil,
          running: false,
          **about
        }
      end

      def route
        @route ||= RouteReport.new(@blank, ways: :taken, **@about).to_h[:alternatives].first
      end

      def ahead = @ahead ||= route[:steps].reject { |step| step[:done] || step[:left_out] }

      # What stops it there, a message; nil where it can be done.
      def why_not(step)
        stop = step[:says].find { |one| one[:tone] == "stop" }
        return stop.slice(:key, :amounts) if stop
        return Message.of("board.stopped.unsafe") if step[:unsafe]

        Message.of("board.stopped.never") if step[:wait_days] && step[:wait_days][:likely].nil?
      end

      def stopped = ahead.filter_map { |step| why_not(step) }.first

      def plain(step, index)
        {
          **row_of(step[:kind], step[:stretch], step[:name], step[:hands_min]),
          id: step[:id],
          wait_days: step[:wait_days],
          on_lathe: step[:stretch] == "turn" || !step[:stage].nil?,
          equipment: equipment(step),
          within_min: (Table["route"]["opened_within_h"] * 60 if opened_wet?(index)),
          running: index.zero? && step[:kind] == "dry" && equipment(step).empty? && put_away?
        }
      end

      def equipment(step)
        named = step[:needs][:tools].map { |tool| tool[:key].delete_prefix("tools.") }
        named += ["oven"] if step[:regimes].any? { |one| one[:place] == "oven" }
        Table.rows("equipment").select { |row| (row["tools"] & named).any? }.map { |row| row["key"] }
      end

      # Wet wood that the edge has opened goes on until it is put away to dry.
      def opened_wet?(index)
        before = index.positive? ? ahead[index - 1] : nil
        before && before[:stretch] == "turn" && ahead[index][:kind] != "dry" &&
          (before[:moisture_pct_after] || 0) >= Table["route"]["opened_wet_pct"]
      end

      # On the shelf or in its bag: was it weighed or metered since the last of it that is done?
      def put_away?
        last = (@blank.route || {}).fetch(:done, []).map { |mark| mark[:on] }.max
        @blank.readings.any? { |reading| last.nil? || reading[:taken_at].to_s[0, 10] >= last }
      end
    end
  end
end
