# frozen_string_literal: true

module MossyAnvil
  module Mend
    # How a pour is done: its layers with their cups, how hot each gets, when it comes out of the mould.
    class PourPlan
      # How fine the picture of temperature over depth and time is.
      TIMES, DEPTHS = 48, 16

      # pour: Pour.
      def initialize(pour)
        @pour = pour
      end

      def layers = heat.layers
      def deepest_mm = heat.deepest_mm
      def limit_mm = heat.limit_mm
      def hopeless? = heat.hopeless?
      def at_once = heat.at_once

      # Batches of each layer, from the bottom up.
      def batches = @batches ||= layers.map { |layer| batch(mix_g * layer.thick_mm / @pour.mould.depth_mm) }

      # One cup's rest for every layer.
      def casting
        @casting ||=
          Casting.new(
            resin: @pour.resin,
            mould_mm3: @pour.mould.volume_mm3,
            wood_mm3: @pour.mould.volume_mm3 - @pour.net_mm3,
            loss_share: @pour.loss_share,
            cup_g: @pour.cup_g * layers.size
          )
      end

      # g to mix in all.
      def mix_g = casting.mix_g

      def cups = batches.sum(&:count)

      # [g of resin, g of hardener] in all, as they add up over the cups.
      def parts_g = batches.map { |batch| batch.targets_g.map { |grams| grams * batch.count } }.transpose.map(&:sum)

      # Plain data, a layer each.
      def to_a
        layers
          .zip(batches)
          .map do |layer, batch|
            part_a, part_b = batch.targets_g
            {
              thick_mm: layer.thick_mm,
              peak_c: layer.peak_c,
              **hours(layer),
              part_a_ml: @pour.resin.volumes_ml(part_a, part_b)[0],
              part_b_ml: @pour.resin.volumes_ml(part_a, part_b)[1],
              verdict: verdict(layer.peak_c),
              cups: batch.count,
              cup_g: batch.cup_g,
              part_a_g: part_a,
              part_b_g: part_b,
              within_g: batch.within_g,
              off_per_g: batch.per_gram,
              working_min: batch.working_min,
              handling_min: batch.handling_min,
              too_quick: batch.too_quick?
            }
          end
      end

      # s from the first pour to the last; to the gel of the last after it: at the shop's own pace, and as worked out
      # without it.
      def last_pour_s = layers[0...-1].sum(&:next_from_s) * pace
      def gelled_after_last_s = layers.last.gel_s * pace
      def unpaced_gel_s = layers.last.gel_s
      def last_pour_h = last_pour_s / 3600

      # Out of the mould, h after the last pour: as the sheet says at this temperature, and never before the last layer
      # has gelled.
      def demould_h = [@pour.resin.row["demould_h"] * @pour.ready_factor * pace, gelled_after_last_s / 3600].max

      # In the oven, or nil.
      def post_cure = @post_cure ||= @pour.given[:post_cure] && PostCure.new(@pour)

      # h from the first pour until it may be turned; until it is cured through. An oven does in hours what the shop
      # does in days.
      def ready_h = last_pour_h + demould_h + (post_cure ? post_cure.total_h : 0.0)
      def cured_h = post_cure ? ready_h : last_pour_h + (@pour.resin.row["cure_d"] * 24 * @pour.ready_factor)

      # A mix of so many g more, in cups.
      def more(grams) = batch(grams)

      # What a cup of it comes to, left standing.
      def standing
        cup = batches.first.standing
        {
          g: batches.first.cup_g,
          peak_c: cup.peak_c,
          peak_at_min: cup.peak_at_s / 60,
          working_min: cup.workable_s / 60,
          curve: thin(cup.curve).map { |time, celsius| [time / 60, celsius] }
        }
      end

      # Temperature of the first layer through its depth (rows, bottom up) over time (columns), and its hottest, its
      # surface and its cure over time.
      def picture
        run = heat.first_run
        moments = shown(run)
        {
          times_h: moments.map { |moment| moment.time_s / 3600 },
          depth_mm: run.depth_mm,
          celsius:
            Array.new(DEPTHS) do |row|
              moments.map { |moment| moment.celsius[row * (moment.celsius.size - 1) / (DEPTHS - 1)].round(2) }
            end,
          hottest_c: moments.map { |moment| moment.celsius.max },
          top_c: moments.map { |moment| moment.celsius[-1] },
          cured: moments.map { |moment| moment.cured.min },
          gel_h: run.gel_s / 3600
        }
      end

      def verdict(peak_c)
        peaks = CureKinetics.table["peaks_c"]
        return "fine" if peak_c <= peaks["fine"] + 0.5

        peak_c <= peaks["care"] ? "care" : "refuse"
      end

      private

      def pace = @pour.pace

      def hours(layer)
        {
          peak_at_h: layer.peak_at_s,
          gel_h: layer.gel_s,
          next_from_h: layer.next_from_s,
          next_until_h: layer.next_until_s
        }.transform_values { |time| time * pace / 3600 }
      end

      def batch(grams) =
        Batches.new(@pour.resin, grams, kinetics: @pour.kinetics, start_c: @pour.start_c, air_c: @pour.shop_c)

      def heat
        @heat ||=
          LayerPlan.new(
            @pour.kinetics,
            @pour.mould.depth_mm,
            sheet_mm: @pour.resin.row["layer_mm"],
            start_c: @pour.start_c,
            air_c: @pour.air_c,
            on_mould_c: @pour.given[:mould_c] && method(:on_mould_c)
          )
      end

      # Resin and the mould's floor under it come to one temperature before either has lost any.
      def on_mould_c(thick_mm)
        resin = thick_mm * @pour.resin.density_g_ml * CureKinetics.table["heat_capacity_j_g_k"] / 1000
        mould = @pour.mould.heat_j_k_mm2
        ((resin * @pour.start_c) + (mould * @pour.given[:mould_c])) / (resin + mould)
      end

      # Evenly over the time from pouring to a while after the gel.
      def shown(run)
        until_s = [run.gel_s * 1.3, run.moments.last.time_s].min
        Array
          .new(TIMES) { |index| until_s * index / (TIMES - 1) }
          .map { |time| run.moments.min_by { |moment| (moment.time_s - time).abs } }
          .uniq
      end

      def thin(points, most = 60) =
        points.size <= most ? points : Array.new(most) { |index| points[index * (points.size - 1) / (most - 1)] }
    end
  end
end
