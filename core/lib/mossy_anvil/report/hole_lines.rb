# frozen_string_literal: true

module MossyAnvil
  module Report
    # A hole on the axis of the finished form, and what goes into it: a thread tapped in it, or an insert, a ring or a
    # core glued in. What to drill, what it leaves, and the lines to work it by.
    # Source: rows of core/data/set_outs.yaml, tools.yaml and glues.yaml.
    class HoleLines
      # blank: on its centres, with a form. hole: { takes: "nothing", "thread" or "insert", across_mm:, deep_mm:,
      # from: "mouth" or "foot" }, across of the bit, or of the insert. thread: { thread:, drill_mm:, depth_mm: } of
      # SetOutReport, where one is tapped. limit_rpm: of the piece, nil where it is not known.
      def initialize(blank, hole, thread: nil, limit_rpm: nil)
        @blank = blank
        @form = blank.form
        @hole = hole
        @thread = thread
        @limit_rpm = limit_rpm
        @table = Table["set_outs"]
      end

      # { across_mm:, deep_mm:, left_mm:, wall_mm:, says: [messages], lines: [card lines] }: left_mm under its end, 0
      # where it goes through; wall_mm: least wood all
      # round it, 0 where it is as wide as the piece there.
      def to_h
        {
          across_mm: across_mm,
          deep_mm: deep_mm,
          left_mm: left_mm,
          wall_mm: wall_mm,
          says: says,
          lines: lines.each_with_index.map { |one, at| { key: "hole.#{at + 1}", optional: false, **one } }
        }
      end

      private

      def lines = [*before, *drilled, *after]
      def line(key, **about) = Mend::CardLine.of(:do, "work.line.#{key}", **about).to_h
      def mm(value) = [value, "mm"]
      def foot? = @hole[:from] == "foot"
      def thread? = @hole[:takes] == "thread" && @thread
      def insert? = @hole[:takes] == "insert"
      def through? = left_mm <= 0

      # An insert has room for glue all round it.
      def across_mm
        return @thread[:drill_mm] if thread?

        @hole[:across_mm] + (insert? ? @table["glue_gap_mm"] : 0)
      end

      def deep_mm = thread? ? @thread[:depth_mm] : @hole[:deep_mm]

      # From the foot it may come out in the hollow; from the mouth, at the foot.
      def left_mm = [(foot? && @form.hollow? ? @form.floor_mm : @form.length_mm) - deep_mm, 0.0].max

      # Between the hole and the outside, along all of it.
      def wall_mm
        low, high = @form.z_span_mm
        z_mm = along_mm.map { |mm| at_tail? ? high - mm : low + mm }
        [z_mm.map { |z| @form.outside.radius_mm(z) }.min - (across_mm / 2.0), 0.0].max
      end

      def at_tail? = (@form.opens == "tail") != foot?

      def along_mm
        depth = [deep_mm, @form.length_mm].min
        (0..40).map { |step| depth * step / 40.0 }
      end

      def says
        least = @table["hole_least_mm"]
        [
          (says_of("as_wide") if wall_mm.zero?),
          (says_of("wall_thin", left: mm(wall_mm)) if wall_mm.positive? && wall_mm < least["wall"]),
          (says_of("under_thin", left: mm(left_mm)) if !through? && left_mm < least["under"])
        ].compact
      end

      def says_of(key, **amounts) = Message.of("steps.hole.#{key}", **amounts)

      def before = through? ? [line("back_exit")] : []

      def drilled
        DrillLines.new(
          @blank,
          to_mm: across_mm,
          deep_mm: [deep_mm, @form.length_mm].min,
          moisture_pct: @blank.material.moisture_pct,
          limit_rpm: @limit_rpm,
          from: @hole[:from]
        ).lines
      end

      def after
        return tapped if thread?

        insert? ? glued_in : []
      end

      def tapped
        [
          line("relieve_edge", thread: @thread[:thread]),
          line("tap", thread: @thread[:thread]),
          *(@blank.material.wooden? ? [line("harden_thread")] : [])
        ]
      end

      def glued_in
        [
          line("hollow_face"),
          line("try_insert", gap: mm(@table["glue_gap_mm"])),
          line("scratch_insert"),
          line("glue_insert"),
          WorkedStep.glue_wait
        ]
      end
    end
  end
end
