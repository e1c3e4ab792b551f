# frozen_string_literal: true

module MossyAnvil
  module Mend
    # What a casting comes to, as plain data, each number with its working under the step.
    class CastDetail
      # Share of the rim's limit that a casting is started at.
      START_SHARE = 0.4
      # What colours it where nothing is said.
      PIGMENT = "paste"
      # What is shown of the resin's sheet.
      SHEET = %w[key class working_min layer_mm dry_to_pct cup_limit_g demould_h cure_d peak_c].freeze

      # pour: Pour; plan: PourPlan; put: writes a number with its working under the step, as MendStep#put, and gives it
      # back.
      def initialize(pour, plan, put)
        @pour, @plan, @put = pour, plan, put
      end

      def to_h
        {
          resin: sheet,
          mould: mould,
          **amounts,
          layers: @plan.to_a,
          cups: @plan.cups,
          **heat,
          colours: colours,
          **lift,
          bubble_mm: bubble_mm,
          pot: pot,
          insert: insert,
          **times,
          by_volume: resin.by_volume?,
          pieces: sawn
        }
      end

      private

      def resin = @pour.resin
      def given = @pour.given
      def figure(...) = @put.call(...)

      def sheet = resin.row.slice(*SHEET).compact.transform_keys(&:to_sym)

      def amounts
        film_g if given[:lined]
        {
          wood_ml: @pour.wood_mm3 / 1000,
          wood_by: given.dig(:wood, :by) || "survey",
          net_ml: net_ml,
          mix_g: mix_g,
          part_a_g: @plan.parts_g[0],
          part_b_g: @plan.parts_g[1],
          density_g_ml: resin.density_g_ml,
          hardener_per_hundred: resin.hardener_per_hundred,
          loss_pct: @pour.loss_share * 100,
          records: @pour.scene.records.count("loss_share")
        }
      end

      def heat
        {
          at_once_c: at_once_c,
          deepest_mm: deepest_mm,
          sheet_mm: resin.row["layer_mm"].to_f,
          heat: @plan.picture,
          standing: @plan.standing
        }
      end

      def lift = { lift_n: lift_n, hold_down_g: [lift_n / Mechanics::GRAVITY_M_S2 * 1000, 0].max }
      def times = { last_pour_h: @plan.last_pour_h, demould_h: @plan.demould_h, oven: oven }

      def net_ml
        wood = given[:wood]
        figure(
          "net_ml",
          @pour.net_mm3 / 1000,
          "ml",
          "mould_less_what_lies_in",
          certainty: wood ? :measured : :derived,
          source: wood ? "your_own_measure_of_what" : "geometry_the_wood_without_its",
          inputs: {
            "mould" => [@pour.mould.volume_mm3, "mm3"],
            "in_it" => [@pour.wood_mm3, "mm3"]
          }
        )
      end

      def mix_g
        casting = @plan.casting
        figure(
          "mix_g",
          casting.mix_g,
          "g",
          "net_volume_times_density_of",
          source: @pour.scene.records.source("loss_share", Table["casting"]["source"]),
          inputs: {
            "net" => [casting.net_mm3, "mm3"],
            "density_of_the_mix" => [resin.density_g_ml, "g/ml"],
            "loss" => [@pour.loss_share * 100, "%"],
            "cup" => [casting.cup_g, "g"]
          }
        )
      end

      # To line the whole inside up to the rim.
      def film_g
        figure(
          "film_g",
          @pour.film_g,
          "g",
          "floor_and_walls_to_the",
          source: Table["supplies"]["source"],
          inputs: {
            "inside" => [@pour.mould.inside_mm2 / 100, "cm2"],
            "film" => [@pour.film["g_per_cm2"], "g/cm2"]
          }
        )
      end

      def mould
        {
          type: @pour.mould.type,
          ml: @pour.mould.volume_mm3 / 1000,
          depth_mm: @pour.mould.depth_mm,
          inside_mm: @pour.mould.inside_mm,
          outside_across_mm: @pour.mould.outside_across_mm,
          outside_depth_mm: @pour.mould.outside_depth_mm,
          in_it: given[:wood] ? nil : @pour.in_mould.to_h,
          cut_list:
            @pour.mould.cut_list.map do |piece, count, long, wide|
              { piece: piece, count: count, long_mm: long, wide_mm: wide }
            end
        }
      end

      def at_once_c
        @at_once_c ||=
          figure(
            "at_once_c",
            @plan.at_once.peak_c,
            "C",
            "hottest_that_the_whole_depth",
            source: CureKinetics.table["source"],
            inputs: {
              "depth" => [@pour.mould.depth_mm, "mm"],
              "working_time" => [resin.row["working_min"], "min"],
              "shop" => [@pour.shop_c, "C"],
              "resin" => [@pour.start_c, "C"]
            }
          )
      end

      def deepest_mm
        @deepest_mm ||=
          figure(
            "deepest_mm",
            @plan.deepest_mm,
            "mm",
            "deepest_pour_that_stays_under",
            source: CureKinetics.table["source"],
            inputs: {
              "fine_up_to" => [CureKinetics.table["peaks_c"]["fine"], "C"]
            }
          )
      end

      def lift_n
        @lift_n ||=
          figure(
            "lift_n",
            @pour.lift_n,
            "N",
            "resin_pushed_aside_less_the",
            source: "archimedes",
            certainty: :derived,
            inputs: {
              "in_it" => [@pour.wood_mm3, "mm3"],
              "its_density" => [@pour.wood_kg_m3, "kg/m3"],
              "density_of_the_mix" => [resin.density_g_ml, "g/ml"]
            }
          )
      end

      # Diameter of a bubble as mixed, once it is under pressure: as the cube root of the pressure.
      def bubble_mm
        return unless given[:pot]

        figure(
          "bubble_mm",
          Table["casting"]["bubble_mm"] * ((1 + given[:pot][:bar])**(-1 / 3.0)),
          "mm",
          "its_diameter_as_mixed_over",
          source: "boyle",
          certainty: :derived,
          inputs: {
            "as_mixed" => [Table["casting"]["bubble_mm"], "mm"],
            "over_the_air" => [given[:pot][:bar], "bar"]
          }
        )
      end

      def pot
        pot = given[:pot] or return
        room = 2 * Table["casting"]["pot_room_mm"]
        fits =
          @pour.mould.outside_across_mm + room <= pot[:diameter_mm] && @pour.mould.outside_depth_mm <= pot[:depth_mm]
        {
          within_rating: pot[:bar] <= pot[:rated_bar],
          fits: fits,
          bar: pot[:bar].to_f,
          rated_bar: pot[:rated_bar].to_f
        }
      end

      # What an insert off its middle does to the balance of the casting, and how far off it may be.
      def insert
        lathe = @pour.scene.blank.lathe or return
        per_mm = ((resin.density_g_ml * 1000) - @pour.wood_kg_m3).abs * @pour.wood_mm3 * 1e-6
        return if per_mm < 1e-6 || given[:wood]

        start = start_rpm(lathe)
        {
          imbalance_g_mm: per_mm * @pour.in_mould.off_mm,
          start_rpm: start,
          most_offset_mm: most_offset_mm(borne_g_mm(lathe, start) / per_mm, start, per_mm)
        }
      end

      # Imbalance that the stand takes at that speed.
      def borne_g_mm(lathe, rpm) =
        Table["speed"]["shaking_share"].fetch(lathe.stand) * lathe.total_kg * Mechanics::GRAVITY_M_S2 /
          (1e-6 * ((rpm / Mechanics::RPM)**2))

      def start_rpm(lathe)
        rim_m_s = RimSpeed.cap_m_s(fragile: false, true_running: false)
        [lathe.min_rpm, START_SHARE * RimSpeed.rpm(rim_m_s, @pour.mould.outside_across_mm)].max
      end

      def most_offset_mm(most, start, per_mm) =
        figure(
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

      def colours
        (given[:colours] || []).map do |colour|
          grams = @plan.mix_g * colour[:share]
          key = colour[:with] || PIGMENT
          @pour.pigment(key)
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
        cure = @plan.post_cure or return
        { oven_c: cure.oven_c.to_f, hold_h: cure.hold_h.to_f, ramp_h: cure.ramp_h, heat_h: heat_h(cure) }
      end

      def heat_h(cure)
        figure(
          "heat_h",
          cure.heat_h,
          "h",
          "a_slab_as_thick_as",
          source: "textbook_heat_conduction_full_series",
          inputs: {
            "thin" => [cure.thin_mm, "mm"],
            "diffusivity_of_resin" => [cure.diffusivity_m2_s * 1e6, "mm2/s"]
          }
        )
      end

      def sawn
        count = given[:pieces] or return
        long = @pour.mould.round? ? @pour.mould.depth_mm : @pour.mould.inside_mm.max
        kerf = Table["casting"]["mould"]["kerf_mm"]
        {
          count: count,
          each_mm:
            figure(
              "pieces/each_mm",
              (long - ((count - 1) * kerf)) / count,
              "mm",
              "its_length_less_the_cuts",
              source: "geometry",
              certainty: :derived,
              inputs: {
                "long" => [long, "mm"],
                "each_cut" => [kerf, "mm"]
              }
            )
        }
      end
    end
  end
end
