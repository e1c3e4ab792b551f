# frozen_string_literal: true

module MossyAnvil
  module Mend
    # One pour as it was planned: which resin into which mould, round what, in what air. All else of a casting is worked
    # out from it. A value: nothing of it changes. Volumes in mm3, temperatures in C, masses in g.
    class Pour
      attr_reader :given, :scene, :at

      # given: the step as in a blank file, symbol-keyed. scene: MendContext before it. at: pointer of the step, for
      # faults.
      def initialize(given, scene, at:)
        @given, @scene, @at = given, scene, at
      end

      # Raises InvalidInput where the tables have no such resin, or its sheet does not fit.
      def resin
        @resin ||=
          Resin.of(
            given[:with] || "casting_epoxy",
            sheet: (given[:sheet] || {}).transform_keys(&:to_s),
            at: "#{at}/with"
          )
      end

      # Raises InvalidInput where there is none, or its measures do not fit together.
      def mould
        @mould ||=
          Mould.new(
            given[:mould] || refuse("mould", Fault.t("is_missing"), Fault.t("a_mould_to_pour_into")),
            at: "#{at}/mould"
          )
      end

      def kinetics = @kinetics ||= resin.kinetics(at: "#{at}/sheet")

      # The wood where it lies in the mould, by the survey.
      def in_mould = @in_mould ||= InMould.new(scene.blank.shape, mould, given[:placed] || {})

      def shop_c = scene.shop_c
      def start_c = given[:resin_c] || shop_c

      # Temperature of the air: a number or, where the shop swings between day and night, a callable of seconds since
      # the pour.
      def air_c = given[:night_c] ? method(:swing_c) : shop_c

      # Share of the resin lost in mixing: as planned, else by the shop's own records, else by rule of thumb.
      def loss_share =
        given[:loss_pct] ? given[:loss_pct] / 100.0 : scene.records.rate("loss_share", Casting::LOSS_SHARE).value

      def cup_g = given[:cup_g] || Casting::CUP_G

      # How much longer than worked out this resin takes in this shop, by its own records.
      def pace = scene.records.factor("cure_factor", resin.key)

      # Times on a sheet, at the shop's temperature.
      def ready_factor = CureTime.factor(shop_c)

      # Rows of the tables.
      def pigment(key) = Table.row("pigments", key, at: "#{at}/colours")
      def film = Table.row("supplies", "film")

      # g of release film for the whole inside up to the rim.
      def film_g = mould.inside_mm2 / 100 * film["g_per_cm2"] * (1 + film["over_share"])

      # What the resin has to go round: by its weight, by what it pushes aside, else by the survey, without the open
      # cracks and pockets that resin runs into.
      def wood_mm3
        @wood_mm3 ||=
          case given.dig(:wood, :by)
          when "weight"
            given[:wood][:value] / scene.blank.material.density_kg_m3 * 1e6
          when "displacement"
            given[:wood][:value] * 1000.0
          else
            surveyed_mm3 * in_mould.under_share
          end
      end

      # Its weight over the part of it that the resin goes round: as measured; else the blank's density, and what stands
      # out over the pour weighs on it too.
      def wood_kg_m3
        return given[:wood][:mass_g] / wood_mm3 * 1e6 if given.dig(:wood, :mass_g)

        scene.blank.material.density_kg_m3 / (given[:wood] ? 1.0 : in_mould.under_share)
      end

      # Resin in the mould. Raises InvalidInput where the wood leaves no room for any, or is not in the pour at all.
      def net_mm3 = @net_mm3 ||= checked(mould.volume_mm3 - wood_mm3)

      # Share of the mould that is resin.
      def net_share = net_mm3 / mould.volume_mm3

      # N that the resin lifts what lies in it with; negative where it sinks.
      def lift_n = Casting.lift_n(wood_mm3, wood_kg_m3, resin.density_g_ml)

      private

      # The shop's temperature over a day, warmest when it is poured.
      def swing_c(time_s)
        day, night = shop_c, given[:night_c]
        ((day + night) / 2.0) + ((day - night) / 2.0 * Math.cos(2 * Math::PI * time_s / 86_400))
      end

      def surveyed_mm3
        standing = scene.blank.with_form(nil)
        open =
          Solid::DefectShares
            .of(standing)
            .sum { |defect, share| defect.open? && share.reaches_surface? ? share.open_mm3 : 0.0 }
        scene.assessed[:stages].values.first[:volume_mm3] - open
      end

      def checked(net_mm3)
        if wood_mm3.zero?
          deep = Fault.t("less_than_the_pour_is_deep_mm", depth_mm: mould.depth_mm)
          refuse("placed/up_mm", Fault.t("leaves_nothing_of_the_wood_in_the"), deep)
        end
        return net_mm3 if net_mm3.positive?

        refuse(
          "mould/depth_mm",
          Fault.t("makes_a_mould_of_ml", ml: (mould.volume_mm3 / 1000).round),
          Fault.t("more_than_what_lies_in_it_ml", ml: (wood_mm3 / 1000).round)
        )
      end

      def refuse(key, problem, allowed) = raise InvalidInput.at("#{at}/#{key}", problem, allowed)
    end
  end
end
