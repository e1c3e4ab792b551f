# frozen_string_literal: true

module MossyAnvil
  module Mend
    # What a casting comes to, as plain data, each number with its working under the step.
    class CastDetail
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
          **in_mould.to_h,
          **amounts,
          layers: @plan.to_a,
          cups: @plan.cups,
          **heat,
          colours: colours,
          **lift,
          insert: CastInsert.new(@pour, @put).to_h,
          **times,
          by_volume: resin.by_volume?
        }
      end

      private

      def resin = @pour.resin
      def in_mould = @in_mould ||= CastMould.new(@pour, @put)
      def given = @pour.given
      def figure(...) = @put.call(...)

      def sheet = resin.row.slice(*SHEET).compact.transform_keys(&:to_sym)

      def amounts
        in_mould.film_g if given[:lined]
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
    end
  end
end
