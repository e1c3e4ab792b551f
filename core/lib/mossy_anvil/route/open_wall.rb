# frozen_string_literal: true

module MossyAnvil
  module Route
    # Is it hollowed while something is open that a later step closes? The limit counts it already; it is said all the
    # same.
    class OpenWall
      HOLLOWING = %w[hollow rough_out].freeze
      CLOSES = %w[glue fill cast].freeze

      # steps: of the whole route.
      def initialize(step, steps)
        @step = step
        @later = steps[(steps.index(step) + 1)..].reject(&:left_out)
      end

      # Advice, none where nothing is open.
      def says
        open = HOLLOWING.include?(@step.kind) ? open_ids : []
        open.empty? ? [] : [Advice.say(:care, "hollowed_open", ids: Message.ids(open))]
      end

      private

      def open_ids
        closed_later = @later.select { |step| CLOSES.include?(step.kind) }.flat_map(&:of)
        @step
          .after
          .defects
          .select { |defect| defect.path? && defect.open? && closed_later.include?(defect.id) }
          .map(&:id)
      end
    end
  end
end
