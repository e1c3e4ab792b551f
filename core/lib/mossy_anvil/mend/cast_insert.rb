# frozen_string_literal: true

module MossyAnvil
  module Mend
    # What an insert off its middle does to the balance of a casting, and how far off it may be.
    class CastInsert
      # Share of the rim's limit that a casting is started at.
      START_SHARE = 0.4

      # pour: Pour; put: as CastDetail takes it.
      def initialize(pour, put)
        @pour, @put = pour, put
      end

      # Plain data; nil without a lathe, or where it makes no difference.
      def to_h
        lathe = @pour.scene.blank.lathe or return
        per_mm = ((@pour.resin.density_g_ml * 1000) - @pour.wood_kg_m3).abs * @pour.wood_mm3 * 1e-6
        return if per_mm < 1e-6 || @pour.given[:wood]

        start = start_rpm(lathe)
        {
          imbalance_g_mm: per_mm * @pour.in_mould.off_mm,
          start_rpm: start,
          most_offset_mm: most_offset_mm(borne_g_mm(lathe, start) / per_mm, start, per_mm)
        }
      end

      private

      # Imbalance that the stand takes at that speed.
      def borne_g_mm(lathe, rpm) =
        Table["speed"]["shaking_share"].fetch(lathe.stand) * lathe.total_kg * Mechanics::GRAVITY_M_S2 /
          (1e-6 * ((rpm / Mechanics::RPM)**2))

      def start_rpm(lathe)
        rim_m_s = RimSpeed.cap_m_s(fragile: false, true_running: false)
        [lathe.min_rpm, START_SHARE * RimSpeed.rpm(rim_m_s, @pour.mould.outside_across_mm)].max
      end

      def most_offset_mm(most, start, per_mm) =
        @put.call(
          "insert/most_offset_mm",
          most,
          "mm",
          "imbalance_that_the_stand_takes",
          source: Table["speed"]["shaking_source"],
          inputs: {
            "started_at" => [start, "rpm"],
            "one_mm_makes" => [per_mm, "g mm"]
          }
        )
    end
  end
end
