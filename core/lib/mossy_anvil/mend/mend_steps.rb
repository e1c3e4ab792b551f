# frozen_string_literal: true

module MossyAnvil
  module Mend
    # Steps of a plan of mending, by their kind.
    module MendSteps
      KINDS = {
        "dry" => DryStep,
        "stabilise" => StabiliseStep,
        "soak" => SoakStep,
        "glue" => GlueStep,
        "fill" => FillStep,
        "inlay" => InlayStep,
        "cast" => CastStep,
        "sand" => SandStep
      }.freeze

      # The step of the kind that data[:do] names. See MendStep#initialize.
      def self.build(data, ...) = KINDS.fetch(data[:do]).new(data, ...)
    end
  end
end
