# frozen_string_literal: true

module MossyAnvil
  module Mend
    # The cure of a casting in the oven: slowly up, until its heart is at the oven's heat, held, down again. All of it
    # in h.
    class PostCure
      # pour: Pour with a post cure.
      def initialize(pour)
        @pour = pour
      end

      def oven_c = @pour.given[:post_cure][:oven_c]
      def hold_h = @pour.given[:post_cure][:hold_h]
      def ramp_h = [(oven_c - @pour.shop_c) / Table["casting"]["post_cure"]["ramp_k_h"], 0].max

      # Until the heart is at the oven's heat: a slab of resin alone, as thick as the casting is thin.
      def heat_h = @heat_h ||= HeatThrough.minutes(length_mm: thin_mm, diffusivity_m2_s: diffusivity_m2_s) / 60

      def total_h = ramp_h + (2 * heat_h) + hold_h

      def thin_mm = [@pour.mould.depth_mm, *@pour.mould.inside_mm].min

      def diffusivity_m2_s
        kinetics = @pour.kinetics
        kinetics.conductivity / (kinetics.density_kg_m3 * kinetics.heat_capacity)
      end
    end
  end
end
