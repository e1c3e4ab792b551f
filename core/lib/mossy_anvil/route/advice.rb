# frozen_string_literal: true

module MossyAnvil
  module Route
    # What a step of a route says: a message under `route.says`.
    module Advice
      module_function

      # tone: :stop, :care, :go or :plain; amounts as Message.of takes them.
      def say(tone, key, **amounts) = { tone: tone.to_s, figure: nil, **Message.of("route.says.#{key}", **amounts) }
    end
  end
end
