# frozen_string_literal: true

module MossyAnvil
  module Route
    # A step of the turner's own: what it is called, how long it takes, how long it waits. It changes nothing of the
    # piece that is known here.
    class OwnStep
      # data: { name:, hands_min:, wait_h: }.
      def initialize(data, piece)
        @data = data
        @piece = piece
      end

      def step(id) =
        Step.new(
          id: id,
          kind: "own",
          stretch: "mend",
          name: Message.named(@data[:name]),
          base_min: @data[:hands_min].to_f,
          wait: Wait.of_hours(@data[:wait_h] || 0),
          after: @piece
        )
    end
  end
end
