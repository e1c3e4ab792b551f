# frozen_string_literal: true

module MossyAnvil
  module Mend
    # A pour into a mould: how much, in what layers and cups, how hot it gets, what it lifts, when it comes out.
    class CastStep < MendStep
      def name = words(defects.empty? ? "cast.name" : "cast.name_of", resin: resin.name, ids: defects.any? ? ids : nil)
      def gate_pct = resin.row["dry_to_pct"].to_f
      def hands_min = 60 + (plan.layers.size * 15) + (cups * 5)
      def working_min = plan.batches.first.working_min
      def usual_h = last_pour_h + demould_h + oven_h
      def ready_late_h = own_wait_h || (usual_h * CastLines::LATE)
      # An oven does in hours what the shop does in days.
      def cure_h = data[:post_cure] ? usual_h : last_pour_h + (resin.row["cure_d"] * 24 * ready_factor)
      def oven_c = data.dig(:post_cure, :oven_c)
      def softens_c = resin.row["soft_from_c"]
      def seals? = true
      def tools =
        lists(
          "tools",
          "gram_scale",
          "cups",
          "level",
          "release",
          ("pressure_pot" if data[:air] == "pressure"),
          ("vacuum_vessel" if data[:air] == "vacuum")
        )

      def cautions
        [
          Message.of("cautions.cast", cup: [resin.row["cup_limit_g"], "g"]),
          *lists(
            "cautions",
            ("pressure" if data[:air] == "pressure"),
            ("post_cure" if data[:post_cure]),
            ("vapour" if %w[polyester polyurethane].include?(resin.row["class"])),
            "sheet"
          )
        ]
      end

      def materials = [*parts_taken, *pigments_taken, *film_taken]

      def parts_taken
        plan
          .parts_g
          .zip(%w[resin hardener])
          .map do |grams, part|
            Taken.new(
              key: resin.key,
              name: resin.name,
              amount: grams,
              unit: "g",
              cost: grams * resin.row["price_per_g"],
              part: part
            )
          end
      end

      # One for each pigment, whatever colours it goes into.
      def pigments_taken
        detail[:colours]
          .select { |colour| colour[:pigment_g].positive? }
          .group_by { |colour| colour[:with] }
          .map do |key, group|
            row = pigment(key)
            grams = group.sum { |colour| colour[:pigment_g] }
            Taken.new(
              key: key,
              name: Table.word("pigments", key),
              amount: grams,
              unit: "g",
              cost: grams * row["price_per_g"]
            )
          end
      end

      def film_taken
        return [] unless data[:lined]

        [
          Taken.new(
            key: film["key"],
            name: Table.word("supplies", film["key"]),
            amount: film_g,
            unit: "g",
            cost: film_g * film["price_per_g"]
          )
        ]
      end

      def detail = @detail ||= CastDetail.new(self, scene).to_h

      def says = CastAdvice.new(self, detail).to_a

      def lines = CastLines.new(self, detail).to_a

      # What is cast fills the openings named; a casting round the whole is another blank, to be surveyed as it comes out of the mould.
      def after =
        scene.mended(
          defects
            .select { |defect| defect.type == "void" || defect.crack? }
            .to_h { |defect| [defect.id, filled(defect)] }
        )

      # used_g over what the mould took is this shop's loss; gel_min over the time reckoned its pace.
      def verdict(measures)
        loss = measures["used_g"] && ((measures["used_g"] / (net_ml * resin.density_g_ml)) - 1)
        pace = measures["gel_min"] && (measures["gel_min"] * 60 / plan.reckoned_gel_s)
        {
          says: [
            loss && say(:plain, "cast.says.loss", g: [measures["used_g"], "g"], loss: [loss * 100, "%"]),
            pace && say(:plain, "cast.says.pace", share: [pace * 100, "%"])
          ].compact,
          records: [
            *(loss ? record("loss_share", loss) : []),
            *(pace ? record("cure_factor", pace, of: resin.key) : [])
          ],
          lines: []
        }
      end

      # Lines that bring up a pour that fell short by so many mm: what to mix, and by when. hours since the last pour.
      def rescue_short(short_mm, hours)
        if short_mm > mould.depth_mm
          raise InvalidInput,
                [
                  Fault.new(
                    path: "/amount",
                    problem: "is #{short_mm}",
                    allowed: "no more than the pour is deep, #{mould.depth_mm} mm"
                  )
                ]
        end

        grams =
          put(
            "rescue/g",
            (mould.surface_mm2 * short_mm * net_share / 1000 * resin.density_g_ml * (1 + loss_share)) + cup_g,
            "g",
            "surface times what is missing, less what the wood takes of it, loss and cup on top",
            source: Table["casting"]["source"],
            certainty: :derived,
            inputs: {
              "short by" => [short_mm, "mm"],
              "surface" => [mould.surface_mm2, "mm2"]
            }
          )
        # What is missing may itself be too deep for one pour.
        goes = (short_mm / plan.limit_mm - 1e-9).ceil
        CastLines.new(self, detail).rescue_lines(plan.more(grams / goes), goes, hours)
      end

      # Public for what speaks of it.
      def resin =
        @resin ||=
          Resin.of(data[:with] || "casting_epoxy", sheet: (data[:sheet] || {}).transform_keys(&:to_s), at: "#{at}/with")
      def mould =
        @mould ||= Mould.new(data[:mould] || fault("mould", "is missing", "a mould to pour into"), at: "#{at}/mould")
      def plan = @plan ||= PourPlan.new(self, scene)
      def air_c = data[:night_c] ? method(:swing_c) : scene.shop_c
      def start_c = data[:resin_c] || scene.shop_c
      def pigment(key) = Table.row("pigments", key, at: "#{at}/colours")
      def film = Table.row("supplies", "film")

      # To line the whole inside up to the rim.
      def film_g
        @film_g ||=
          put(
            "film_g",
            mould.inside_mm2 / 100 * film["g_per_cm2"] * (1 + film["over_share"]),
            "g",
            "floor and walls to the rim, a share more for folds",
            source: Table["supplies"]["source"],
            inputs: {
              "inside" => [mould.inside_mm2 / 100, "cm2"],
              "film" => [film["g_per_cm2"], "g/cm2"]
            }
          )
      end

      def lines_for_card(...) = line(...)
      def figure(...) = put(...)

      def kinetics
        @kinetics ||= resin.kinetics(at: "#{at}/sheet")
      end

      def mix_g
        @mix_g ||=
          put(
            "mix_g",
            casting.mix_g,
            "g",
            "net volume times density of the mix, loss on top, and what stays in the cups",
            source: scene.records.source("loss_share", Table["casting"]["source"]),
            inputs: {
              "net" => [casting.net_mm3, "mm3"],
              "density of the mix" => [resin.density_g_ml, "g/ml"],
              "loss" => [loss_share * 100, "%"],
              "cup" => [casting.cup_g, "g"]
            }
          )
      end

      def net_ml
        @net_ml ||=
          put(
            "net_ml",
            casting.net_mm3 / 1000,
            "ml",
            "mould less what lies in it",
            certainty: data[:wood] ? :measured : :derived,
            source:
              (
                if data[:wood]
                  "Your own measure of what lies in it"
                else
                  "Geometry; the wood without its open cracks and holes"
                end
              ),
            inputs: {
              "mould" => [mould.volume_mm3, "mm3"],
              "in it" => [wood_mm3, "mm3"]
            }
          )
      end

      # What the resin has to go round: by its weight, by what it pushes aside, else by the survey: without open cracks and pockets, which it runs into.
      def wood_mm3
        @wood_mm3 ||=
          case data.dig(:wood, :by)
          when "weight"
            data[:wood][:value] / scene.blank.material.density_kg_m3 * 1e6
          when "displacement"
            data[:wood][:value] * 1000.0
          else
            surveyed_mm3 * in_mould.under_share
          end
      end

      # Where it lies in the mould, by the survey.
      def in_mould = @in_mould ||= InMould.new(scene.blank.shape, mould, data[:placed] || {})

      # In the oven: slowly up, the heart at its heat, held, down again; 0 without one.
      def oven_h = data[:post_cure] ? ramp_h + (2 * heat_h) + data[:post_cure][:hold_h] : 0.0
      def ramp_h = [(oven_c - scene.shop_c) / Table["casting"]["post_cure"]["ramp_k_h"], 0].max

      # Until the heart of the casting is at the oven's heat: a slab as thick as it is thin, of resin alone.
      def heat_h
        @heat_h ||=
          begin
            thin = [mould.depth_mm, *mould.inside_mm].min
            diffusivity = kinetics.conductivity / (kinetics.density_kg_m3 * kinetics.heat_capacity)
            put(
              "heat_h",
              HeatThrough.minutes(length_mm: thin, diffusivity_m2_s: diffusivity) / 60,
              "h",
              "a slab as thick as the casting is thin, until its heart is as warm as the oven",
              source: "Textbook heat conduction, full series",
              inputs: {
                "thin" => [thin, "mm"],
                "diffusivity of resin" => [diffusivity * 1e6, "mm2/s"]
              }
            )
          end
      end

      def loss_share =
        data[:loss_pct] ? data[:loss_pct] / 100.0 : scene.records.mean("loss_share") || Casting::LOSS_SHARE
      def cups = plan.batches.sum(&:count)
      def last_pour_h = plan.last_pour_s / 3600

      # Out of the mould: as the sheet says at this temperature, and never before the last layer has gelled.
      def demould_h = [resin.row["demould_h"] * ready_factor * plan.pace, plan.gelled_after_last_s / 3600].max

      private

      def cup_g = data[:cup_g] || Casting::CUP_G
      def net_share = net_ml * 1000 / mould.volume_mm3

      def rescue_lines(key, amount, hours) = %w[short leaks].include?(key) && amount ? rescue_short(amount, hours) : []

      def after_trouble(key, amount)
        return [] unless key == "floated"

        given = detail[:insert] or return [say(:care, "cast.says.measure_first")]
        off, most = [amount, "mm"], [given[:most_offset_mm], "mm"]
        return [say(:go, "cast.says.within", off: off, most: most)] if amount <= given[:most_offset_mm]

        [say(:stop, "cast.says.off_the_middle", off: off, most: most, start: [given[:start_rpm], "rpm"])]
      end

      # The shop's temperature over a day, warmest when it is poured.
      def swing_c(time_s)
        day, night = scene.shop_c, data[:night_c]
        ((day + night) / 2.0) + ((day - night) / 2.0 * Math.cos(2 * Math::PI * time_s / 86_400))
      end

      # One cup's rest for every layer.
      def casting
        @casting ||=
          Casting
            .new(
              resin: resin,
              mould_mm3: mould.volume_mm3,
              wood_mm3: wood_mm3,
              loss_share: loss_share,
              cup_g: cup_g * plan.layers.size
            )
            .tap { |cast| fits(cast) }
      end

      def fits(cast)
        if wood_mm3.zero?
          fault(
            "placed/up_mm",
            "leaves nothing of the wood in the pour",
            "less than the pour is deep, #{mould.depth_mm} mm"
          )
        end
        return if cast.net_mm3.positive?

        fault(
          "mould/depth_mm",
          "makes a mould of #{(mould.volume_mm3 / 1000).round} ml",
          "more than what lies in it, #{(wood_mm3 / 1000).round} ml"
        )
      end

      def surveyed_mm3
        standing = scene.blank.with_form(nil)
        open =
          Solid::DefectShares
            .of(standing)
            .sum { |defect, share| defect.open? && share.reaches_surface? ? share.open_mm3 : 0.0 }
        scene.assessed[:stages].values.first[:volume_mm3] - open
      end

      def filled(defect)
        return Model::PathDefect.new(**defect.to_document, mend: "resin") if defect.crack?

        Model::BodyDefect.new(
          id: defect.id,
          type: "resin_body",
          centre: {
            clock_deg: defect.clock_deg,
            r_mm: defect.radius_mm,
            z_mm: defect.z_mm
          },
          size_mm: defect.size_mm,
          detail: {
            density_kg_m3: resin.density_g_ml * 1000
          }
        )
      end
    end
  end
end
