# frozen_string_literal: true

module MossyAnvil
  module Route
    # A step of mending as one of the route: what Mend says of it, on the piece as it stands then.
    class Mending
      # Sanding what was filled level is not the sanding that finishes the piece.
      KINDS = { "sand" => "level" }.freeze

      # data: a step as in a plan of mending, symbol-keyed; workings: as MendStep takes them.
      def initialize(data, piece, workings, at:)
        @made = Mend::MendSteps.build(data, piece.context, workings, at: at)
        @piece = piece
      end

      # What is named as spoiling it, or spoilt by it, comes from MendConflicts, which wants all of them.
      attr_reader :made

      def step(id)
        Step.new(
          id: id,
          kind: KINDS.fetch(@made.data[:do], @made.data[:do]),
          stretch: "mend",
          name: @made.name,
          of: @made.data[:of] || [],
          base_min: @made.hands_min.to_f,
          wait: wait,
          needs: Needs.new(moisture_at_most_pct: @made.gate_pct, tools: @made.tools),
          materials: @made.materials,
          cautions: @made.cautions,
          says: @made.says,
          made: @made,
          after: @piece.with(context: @made.after)
        )
      end

      private

      def wait
        early, late = @made.ready_h, @made.ready_late_h
        return if early == 0

        Wait.new(earliest: days(early), likely: days(early), latest: days(late))
      end

      def days(hours) = hours && (hours / 24.0)
    end
  end
end
