# frozen_string_literal: true

module MossyAnvil
  module Mend
    # What a casting comes to, as plain data, each number with its working under the step.
    class CastDetail
      # Share of the rim's limit that a casting is started at.
      START_SHARE = 0.4
      # What colours it where nothing is said.
      PIGMENT = "paste"

      # step: CastStep; scene: before it.
      def initialize(step, scene)
        @step = step
        @scene = scene
      end

      def to_h
        {
          resin:
            @step
              .resin
              .row
              .slice(
                "key",
                "class",
                "working_min",
                "layer_mm",
                "dry_to_pct",
                "cup_limit_g",
                "demould_h",
                "cure_d",
                "peak_c"
              )
              .compact
              .transform_keys(&:to_sym),
          mould: mould_detail,
          wood_ml: @step.wood_mm3 / 1000,
          wood_by: @step.data.dig(:wood, :by) || "survey",
          net_ml: @step.net_ml,
          mix_g: @step.mix_g,
          part_a_g: @step.plan.parts_g[0],
          part_b_g: @step.plan.parts_g[1],
          density_g_ml: @step.resin.density_g_ml,
          hardener_per_hundred: @step.resin.hardener_per_hundred,
          loss_pct: @step.loss_share * 100,
          records: @scene.records.count("loss_share"),
          layers: @step.plan.to_a,
          cups: @step.cups,
          at_once_c: at_once_c,
          deepest_mm: deepest_mm,
          sheet_mm: @step.resin.row["layer_mm"].to_f,
          colours: colours,
          lift_n: lift_n,
          hold_down_g: hold_down_g,
          bubble_mm: bubble_mm,
          pot: pot,
          insert: insert,
          heat: @step.plan.picture,
          standing: @step.plan.standing,
          last_pour_h: @step.last_pour_h,
          demould_h: @step.demould_h,
          oven: oven,
          by_volume: @step.resin.by_volume?,
          pieces: sawn
        }
      end

      private

      def mould_detail
        {
          type: @step.mould.type,
          ml: @step.mould.volume_mm3 / 1000,
          depth_mm: @step.mould.depth_mm,
          inside_mm: @step.mould.inside_mm,
          outside_across_mm: @step.mould.outside_across_mm,
          outside_depth_mm: @step.mould.outside_depth_mm,
          in_it: @step.data[:wood] ? nil : @step.in_mould.to_h,
          cut_list:
            @step.mould.cut_list.map do |piece, count, long, wide|
              { piece: piece, count: count, long_mm: long, wide_mm: wide }
            end
        }
      end

      def at_once_c
        @at_once_c ||=
          @step.figure(
            "at_once_c",
            @step.plan.at_once.peak_c,
            "C",
            "hottest that the whole depth comes to in one pour, heat lost above and below only: on the safe side",
            source: CureKinetics.table["source"],
            inputs: {
              "depth" => [@step.mould.depth_mm, "mm"],
              "working time" => [@step.resin.row["working_min"], "min"],
              "shop" => [@scene.shop_c, "C"],
              "resin" => [@step.start_c, "C"]
            }
          )
      end

      def deepest_mm
        @deepest_mm ||=
          @step.figure(
            "deepest_mm",
            @step.plan.deepest_mm,
            "mm",
            "deepest pour that stays under the peak that is fine",
            source: CureKinetics.table["source"],
            inputs: {
              "fine up to" => [CureKinetics.table["peaks_c"]["fine"], "C"]
            }
          )
      end

      def lift_n
        @lift_n ||=
          @step.figure(
            "lift_n",
            Casting.lift_n(@step.wood_mm3, wood_kg_m3, @step.resin.density_g_ml),
            "N",
            "resin pushed aside less the weight of what lies in it; below nothing it sinks",
            source: "Archimedes",
            certainty: :derived,
            inputs: {
              "in it" => [@step.wood_mm3, "mm3"],
              "its density" => [wood_kg_m3, "kg/m3"],
              "density of the mix" => [@step.resin.density_g_ml, "g/ml"]
            }
          )
      end

      def hold_down_g = [lift_n / Mechanics::GRAVITY_M_S2 * 1000, 0].max

      # Its weight over what of it the resin goes round: as it was measured; else the blank's density, and what stands out over the pour weighs on it too.
      def wood_kg_m3
        return @step.data[:wood][:mass_g] / @step.wood_mm3 * 1e6 if @step.data.dig(:wood, :mass_g)

        @scene.blank.material.density_kg_m3 / (@step.data[:wood] ? 1.0 : @step.in_mould.under_share)
      end

      # Diameter of a bubble as mixed, once it is under pressure: as the cube root of the pressure.
      def bubble_mm
        return unless @step.data[:pot]

        @step.figure(
          "bubble_mm",
          Table["casting"]["bubble_mm"] * ((1 + @step.data[:pot][:bar])**(-1 / 3.0)),
          "mm",
          "its diameter as mixed over the cube root of the pressure, the air's counted in",
          source: "Boyle",
          certainty: :derived,
          inputs: {
            "as mixed" => [Table["casting"]["bubble_mm"], "mm"],
            "over the air" => [@step.data[:pot][:bar], "bar"]
          }
        )
      end

      def pot
        given = @step.data[:pot] or return
        room = 2 * Table["casting"]["pot_room_mm"]
        fits =
          @step.mould.outside_across_mm + room <= given[:diameter_mm] &&
            @step.mould.outside_depth_mm <= given[:depth_mm]
        {
          within_rating: given[:bar] <= given[:rated_bar],
          fits: fits,
          bar: given[:bar].to_f,
          rated_bar: given[:rated_bar].to_f
        }
      end

      # What an insert off its middle does to the balance of the casting, and how far off it may be.
      def insert
        lathe = @scene.blank.lathe or return
        per_mm = ((@step.resin.density_g_ml * 1000) - wood_kg_m3).abs * @step.wood_mm3 * 1e-6
        return if per_mm < 1e-6 || @step.data[:wood]

        start = [
          lathe.min_rpm,
          START_SHARE *
            RimSpeed.rpm(RimSpeed.cap_m_s(fragile: false, true_running: false), @step.mould.outside_across_mm)
        ].max
        allowed =
          Table["speed"]["shaking_share"].fetch(lathe.stand) * lathe.total_kg * Mechanics::GRAVITY_M_S2 /
            (1e-6 * ((start / Mechanics::RPM)**2))
        {
          imbalance_g_mm: per_mm * @step.in_mould.off_mm,
          start_rpm: start,
          most_offset_mm:
            @step.figure(
              "insert/most_offset_mm",
              allowed / per_mm,
              "mm",
              "imbalance that the stand takes at the speed it is started at, over what one mm makes",
              source: Table["speed"]["shaking_source"],
              inputs: {
                "started at" => [start, "rpm"],
                "one mm makes" => [per_mm, "g mm"]
              }
            )
        }
      end

      def colours
        (@step.data[:colours] || []).map do |colour|
          grams = @step.mix_g * colour[:share]
          key = colour[:with] || PIGMENT
          @step.pigment(key)
          {
            name: colour[:name],
            with: key,
            g: grams,
            pigment_g: grams * (colour[:pigment_pct] || 0) / 100.0,
            pigment_pct: (colour[:pigment_pct] || 0).to_f
          }
        end
      end

      def oven
        given = @step.data[:post_cure] or return
        { oven_c: given[:oven_c].to_f, hold_h: given[:hold_h].to_f, ramp_h: @step.ramp_h, heat_h: @step.heat_h }
      end

      def sawn
        count = @step.data[:pieces] or return
        long = @step.mould.round? ? @step.mould.depth_mm : @step.mould.inside_mm.max
        kerf = Table["casting"]["mould"]["kerf_mm"]
        {
          count: count,
          each_mm:
            @step.figure(
              "pieces/each_mm",
              (long - ((count - 1) * kerf)) / count,
              "mm",
              "its length less the cuts, shared",
              source: "Geometry",
              certainty: :derived,
              inputs: {
                "long" => [long, "mm"],
                "each cut" => [kerf, "mm"]
              }
            )
        }
      end
    end
  end
end
