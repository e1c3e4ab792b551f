# frozen_string_literal: true

module MossyAnvil
  # Caps on the speed of the rim: v = pi D n.
  module RimSpeed
    module_function

    # rpm at which a swing (diameter, mm) reaches a rim speed (m/s).
    def rpm(speed_m_s, swing_mm)
      speed_m_s / (Math::PI * swing_mm / 1000.0) * 60
    end

    # The row of the table: soundness and truth of the piece.
    def row(fragile:, true_running:)
      "#{fragile ? "fragile" : "sound"}_#{true_running ? "true" : "out_of_true"}"
    end

    # m/s allowed.
    def cap_m_s(fragile:, true_running:)
      Table["speed"]["rim_m_s"].fetch(row(fragile: fragile, true_running: true_running))
    end
  end
end
