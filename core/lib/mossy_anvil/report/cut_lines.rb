# frozen_string_literal: true

module MossyAnvil
  module Report
    # The lines of a card for the cuts of one step, in the order they are made.
    class CutLines
      # What a cut is told by, for the picture and the figures beside it.
      TOLD = %i[
        side
        kind
        z_mm
        direction
        tool
        second
        rpm
        force_n
        allowed_n
        overhang_mm
        depth_mm
        down_mm
        leave_mm
        wall_mm
        look_at
        swath
      ].freeze

      # cuts: the step's regions as CutReport has them.
      def initialize(cuts)
        @cuts = cuts
      end

      # List of plain lines, as CardLine has them: each cut with the place to look at before it, what finishes it where
      # that is another tool, and the edge sharpened before the last.
      def to_a
        @cuts.each_with_index.flat_map do |cut, at|
          [
            (line("look_at", ids: Message.ids(cut[:look_at])) if cut[:look_at].any?),
            (line("sharpen") if at == @cuts.size - 1 && at.positive?),
            cut[:tool] ? cutting(cut) : no_cut(cut),
            (finishing(cut) if cut[:finish_tool])
          ].compact
        end
      end

      private

      def line(key, **about) = Mend::CardLine.of(:do, "work.line.#{key}", **about).to_h
      def mm(value) = [value, "mm"]

      def no_cut(cut) = line("no_cut", why: cut_refused(cut), from: mm(cut[:z_mm][0]), to: mm(cut[:z_mm][1]))

      def finishing(cut) = line("change_tool", tool: tool(cut[:finish_tool]), target: [cut[:change_mm], "mm", nil])

      def cutting(cut)
        line(
          "cut",
          tool: tool(cut[:tool]),
          side: Message.term("cuts.sides.#{cut[:side]}"),
          way: Message.term("cuts.directions.#{cut[:direction]}"),
          from: mm(cut[:z_mm][0]),
          to: mm(cut[:z_mm][1]),
          target: [cut[:down_mm] || cut[:depth_mm], "mm", nil],
          region: cut.slice(*TOLD)
        )
      end

      def tool(key) = Message.term("tables.tools.#{key}.name")

      def cut_refused(cut)
        why = cut[:out].map { |one| one[:why] }.reject { |one| %w[side grain].include?(one) }.tally.max_by(&:last)
        Message.term("cuts.why.#{why ? why[0] : "side"}")
      end
    end
  end
end
