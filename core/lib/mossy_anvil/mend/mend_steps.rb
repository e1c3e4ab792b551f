# frozen_string_literal: true

module MossyAnvil
  class MendStep
    KINDS = { "dry" => DryStep, "stabilise" => StabiliseStep, "soak" => SoakStep, "glue" => GlueStep, "fill" => FillStep, "inlay" => InlayStep, "cast" => CastStep,
              "sand" => SandStep }.freeze
  end
end
