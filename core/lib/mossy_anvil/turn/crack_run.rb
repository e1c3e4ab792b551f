# frozen_string_literal: true

module MossyAnvil
  module Turn
    # The speed at which a crack runs on by itself: K = stress * sqrt(pi a / Q) * F(a / W) reaching the toughness.
    # Sources: F for an edge crack, Tada; Q for a crack shorter than the piece, Newman and Raju.
    module CrackRun
      WIDEST_SHARE = 0.95
      WHOLE_RUN_SHARE = 0.98
      # So long that the shape factor is 1.
      ENDLESS_MM = 1e12
      # Share of the speed at which it runs that may be worked at.
      WORK_SHARE = 0.5

      module_function

      # Tada's factor for an edge crack; share = depth / width of wood in line with it, numbers or arrays.
      def edge_factor(share)
        share = share.clip(0.0, WIDEST_SHARE) if share.respond_to?(:clip)
        share = share.clamp(0.0, WIDEST_SHARE) if share.is_a?(Numeric)
        left = (share * -1) + 1
        ((left**4) * 0.265) + (((share * 0.265) + 0.857) / (left**1.5))
      end

      # Newman and Raju's shape factor; depth a and half run c in the same unit.
      def shape_factor(depth, half_run) =
        1 + (1.464 * ((depth <= half_run ? depth / half_run : half_run / depth)**1.65))

      # MPa root m at the tip. stress_mpa: mean of the plane without the crack; lengths in mm; run_mm nil where it runs
      # from end to end.
      def intensity_mpa_sqrt_m(stress_mpa, depth_mm:, width_mm:, run_mm: nil)
        stress_mpa * Math.sqrt(Math::PI * working_mm(depth_mm, run_mm) / 1000.0) * edge_factor(depth_mm / width_mm.to_f)
      end

      # a / Q or, for a crack deeper than half its run, c / Q, mm.
      def working_mm(depth_mm, run_mm)
        return depth_mm unless run_mm

        half_run = run_mm / 2.0
        [depth_mm, half_run].min / shape_factor(depth_mm.to_f, half_run)
      end

      # The same over an array of depths (cracks x places, mm) and the run of each (cracks x 1, mm; ENDLESS_MM from end
      # to end).
      def working_over(depths_mm, runs_mm)
        half = Numo::DFloat.maximum(runs_mm / 2, 1e-9)
        least, most = Numo::DFloat.minimum(depths_mm, half), Numo::DFloat.maximum(depths_mm, half)
        least / (((least / most)**1.65 * 1.464) + 1)
      end
    end
  end
end
