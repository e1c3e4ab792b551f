# frozen_string_literal: true

module MossyAnvil
  # The speed at which a crack runs on by itself: K = stress * sqrt(pi a / Q) * F(a / W) reaching the toughness.
  # Sources: F for an edge crack, Tada; Q for a crack shorter than the piece, Newman and Raju.
  module CrackRun
    WIDEST_SHARE = 0.95
    WHOLE_RUN_SHARE = 0.98

    module_function

    # Tada's factor for an edge crack; share = depth / width of wood in line with it.
    def edge_factor(share)
      share = share.clamp(0.0, WIDEST_SHARE)
      (0.265 * ((1 - share)**4)) + ((0.857 + (0.265 * share)) / ((1 - share)**1.5))
    end

    # Newman and Raju's shape factor; depth a and half run c in the same unit.
    def shape_factor(depth, half_run)
      depth <= half_run ? 1 + (1.464 * ((depth / half_run)**1.65)) : 1 + (1.464 * ((half_run / depth)**1.65))
    end

    # MPa root m at the tip. stress_mpa: mean of the plane without the crack; lengths in mm; run_mm nil where it runs from end to end.
    def intensity_mpa_sqrt_m(stress_mpa, depth_mm:, width_mm:, run_mm: nil)
      factor = edge_factor(depth_mm / width_mm.to_f)
      return stress_mpa * Math.sqrt(Math::PI * depth_mm / 1000.0) * factor unless run_mm

      half_run = run_mm / 2.0
      least = [depth_mm, half_run].min
      stress_mpa * Math.sqrt(Math::PI * least / 1000.0 / shape_factor(depth_mm.to_f, half_run)) * factor
    end

    # rpm at which the crack runs at this stage, or nil where none of it is left or nothing pulls on it.
    # burst: Burst of the stage (for the plane's stress); toughness in MPa root m.
    def runs_rpm(crack, blank, stage, grid, burst)
      left = remaining(crack, blank.shape, stage, grid)
      return if left.nil?

      stress_mpa_per_w2 = burst.at(left[:clock_deg]).mean_stress_pa_per_w2 * 1e-6
      return unless stress_mpa_per_w2.positive?

      intensity = intensity_mpa_sqrt_m(stress_mpa_per_w2, depth_mm: left[:depth_mm], width_mm: left[:width_mm], run_mm: left[:run_mm])
      Balance::RPM * Math.sqrt(blank.material.toughness_mpa_sqrt_m / intensity)
    end

    # What the stage leaves of the crack: deepest depth, wood in line with it, run (nil for end to end), middle angle.
    def remaining(crack, shape, stage, grid)
      kept = crack.samples(shape).filter_map { |sample| sample_left(crack, sample, shape, stage, grid) }
      return if kept.empty?

      deepest = kept.max_by { |piece| piece[:depth_mm] / piece[:width_mm] }
      run_mm = kept.sum { |piece| piece[:length_mm] }
      whole = whole_run_mm(crack, stage)
      deepest.merge(run_mm: whole && run_mm >= whole * WHOLE_RUN_SHARE ? nil : run_mm)
    end

    def sample_left(crack, sample, shape, stage, grid)
      column, layer = grid.column_at(sample.clock_deg), grid.layer_at(sample.z_mm)
      left = crack.side? ? side_left(crack, sample, shape, stage, column, layer) : face_left(crack, sample, shape, stage, column)
      return unless left && left[:depth_mm] > 0.1

      left.merge(clock_deg: sample.clock_deg, length_mm: sample.length_mm)
    end

    def side_left(crack, sample, shape, stage, column, layer)
      return unless stage.reach.thickness_mm[layer].positive?

      outer = stage.reach.radii_mm[column, layer]
      open_layer = stage.hollow? && stage.inner.thickness_mm[layer].positive?
      inner = open_layer ? stage.inner_reach_mm[column, layer] : 0.0
      width = open_layer ? outer - inner : outer + stage.reach.radii_mm[(column + (stage.reach.radii_mm.shape[0] / 2)) % stage.reach.radii_mm.shape[0], layer]
      return unless width > 0.1

      tip = sample.radius_mm - (crack.through? ? crack.through_depth_mm(shape) : crack.depth_mm)
      { depth_mm: [outer - [tip, inner].max, 0].max.clamp(0, width), width_mm: width }
    end

    # From a face the crack goes along the axis; in line with it lies the wood of that column.
    def face_left(crack, sample, shape, stage, column)
      held = stage.reach.thickness_mm.gt(0) & stage.reach.radii_mm[column, true].ge(sample.radius_mm)
      held &= (stage.inner.thickness_mm.le(0) | stage.inner_reach_mm[column, true].le(sample.radius_mm)) if stage.hollow?
      layers = held.where.to_a
      return if layers.empty?

      step = stage.reach.middle_mm.size > 1 ? shape.length_mm / stage.reach.middle_mm.size : shape.length_mm
      from_face = crack.enters == "head_face" ? layers.first * step : shape.length_mm - ((layers.last + 1) * step)
      depth = crack.through? ? shape.length_mm : crack.depth_mm
      width = layers.size * step
      { depth_mm: (depth - from_face).clamp(0, width), width_mm: width }
    end

    # mm of run that would be from end to end; nil on a face, where none is.
    def whole_run_mm(crack, stage)
      crack.side? ? stage.reach.thickness_mm.sum : nil
    end
  end
end
