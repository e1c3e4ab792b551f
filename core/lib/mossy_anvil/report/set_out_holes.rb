# frozen_string_literal: true

module MossyAnvil
  module Report
    # Numbers for what is drilled and tapped at a piece: the insert and its thread, how fast the bit, the hole line by
    # line.
    class SetOutHoles
      # blank: as surveyed. asked: as SetOutReport has it. put: keeps a number's working and gives it back.
      def initialize(blank, asked, put)
        @blank, @asked, @put = blank, asked, put
      end

      # Plain data.
      def to_h = { insert: insert, drill: drill, hole: hole }

      private

      def table = Table["set_outs"]

      def insert
        row = table["threads"].find { |thread| thread["key"] == @asked[:thread] } or return
        share = table["tapping"][@blank.material.wooden? ? "wood" : "plastic"]
        drill = Turn::SetOuts.tapping_drill_mm(row["diameter_mm"], row["pitch_mm"], share)
        by = { "d" => [row["diameter_mm"], "mm"], "p" => [row["pitch_mm"], "mm"], "share" => [share * 100, "%"] }
        {
          thread: row["name"],
          drill_mm: @put.call("insert/drill_mm", drill, "mm", "d_1_0825_p_times", by),
          depth_mm: tapped_mm(row["pitch_mm"], drill * table["drill"]["points"]["twist_share"])
        }
      end

      def tapped_mm(pitch_mm, point_mm) =
        @put.call(
          "insert/depth_mm",
          Turn::SetOuts.tapping_depth_mm(@asked[:engaged_mm], pitch_mm, point_mm),
          "mm",
          "thread_wanted_three_pitches_over",
          { "thread" => [@asked[:engaged_mm], "mm"], "point" => [point_mm, "mm"] }
        )

      # At no more than the slowest of the limits of this piece.
      def hole
        return unless @asked[:hole]

        limits = Assessment.new(@blank).to_h[:stages].values.filter_map { |stage| stage[:limit_rpm] }
        across_mm = @asked[:bit_mm]
        HoleLines.new(
          @blank.on_centres,
          { takes: "nothing", across_mm: across_mm, deep_mm: across_mm, from: "foot", **@asked[:hole] },
          thread: insert,
          limit_rpm: limits.min
        ).to_h
      end

      def drill
        kind =
          if @blank.material.wooden?
            @blank.material.moisture_pct > 20 ? "wet_wood" : "wood"
          else
            "plastic"
          end
        row = table["drill"][kind]
        from, to = %w[from_m_min to_m_min].map { |key| Turn::SetOuts.drill_rpm(row[key], @asked[:bit_mm]) }
        {
          bit_mm: @asked[:bit_mm],
          from_rpm:
            @put.call(
              "drill/from_rpm",
              from,
              "rpm",
              "surface_speed_over_pi_times_the",
              { "speed" => [row["from_m_min"], "m/min"], "bit" => [@asked[:bit_mm], "mm"] },
              certainty: :rule_of_thumb
            ),
          to_rpm: to,
          clear_mm: row["clear_every"] * @asked[:bit_mm],
          pilot: @asked[:bit_mm] > table["drill"]["pilot_over_mm"]
        }
      end
    end
  end
end
