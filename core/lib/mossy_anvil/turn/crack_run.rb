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
  end

  # Open cracks at one stage: what is left of each, and the speed at which the first of them runs.
  class CracksAtStage
    TINY_MM = 0.1
    SAMPLES = 32
    # What is left at the samples of some cracks, cracks x samples: depth, wood in line with it, and the place of its tip (radius, z).
    Left = Struct.new(:depth_mm, :width_mm, :tip_radius_mm, :tip_z_mm)

    # rows: list of PathRows of SAMPLES pieces. local_strength: callable of arrays of clock, radius and z, the share of strength of the wood there.
    def initialize(rows, blank, stage, grid, local_strength)
      @rows = rows
      @blank = blank
      @shape = blank.shape
      @stage = stage
      @grid = grid
      @local_strength = local_strength
    end

    # rpm of the crack that runs first, or nil where none is left or nothing pulls on any. burst: Burst of the stage, for the planes' stress.
    def runs_rpm(burst) = @rows.filter_map { |rows| first_of(rows, burst) }.min

    private

    def first_of(rows, burst)
      left = rows.side? ? side_left(rows) : face_left(rows)
      there = left.width_mm.gt(TINY_MM) & left.depth_mm.gt(TINY_MM)
      return if there.none?

      shares = (left.depth_mm * there) / Numo::DFloat.maximum(left.width_mm, TINY_MM)
      runs, toughness = runs_mm(rows, there), toughness_of_tips(rows, left, there)
      shares.max_index(axis: 1).to_a.each_with_index.filter_map do |worst, row|
        next unless there[worst] == 1

        stress_mpa_per_w2 = burst.at(rows.clock_deg[worst]).mean_stress_pa_per_w2 * 1e-6
        next unless stress_mpa_per_w2.positive?

        intensity = CrackRun.intensity_mpa_sqrt_m(stress_mpa_per_w2, depth_mm: left.depth_mm[worst], width_mm: left.width_mm[worst], run_mm: runs[row])
        Balance::RPM * Math.sqrt(toughness[row] / intensity)
      end.min
    end

    # MPa root m at the weakest tip of each crack.
    def toughness_of_tips(rows, left, there)
      found = @local_strength.call(rows.clock_deg.flatten, left.tip_radius_mm.flatten, left.tip_z_mm.flatten).reshape(*there.shape)
      weakest = Numo::DFloat.maximum(found, Numo::DFloat.cast(~there)).min(axis: 1).clip(Section::LIVE_SHARE, 1).to_a
      weakest.map { |share| @blank.material.toughness_mpa_sqrt_m * share }
    end

    # mm of run that is left of each; nil where it goes from end to end (which only a crack from the side can).
    def runs_mm(rows, there)
      whole = @stage.reach.thickness_mm.sum * CrackRun::WHOLE_RUN_SHARE
      (rows.length_mm * there).sum(axis: 1).to_a.map { |left| rows.side? && left >= whole ? nil : left }
    end

    # How deep each goes at its samples, the way it goes.
    def depths_mm(rows) = Numo::DFloat.maximum(rows.depth_mm, rows.column { |crack| crack.through? ? crack.through_depth_mm(@shape) : 0.0 })

    # Radially inward: in line with it lies the wall or, where it is solid, the whole chord.
    def side_left(rows)
      column, layer = @grid.columns_at(rows.clock_deg), @grid.layers_at(rows.z_mm)
      rods = (column * @grid.axial) + layer
      outer = @stage.reach.radii_mm[rods].dup
      hollow, inner = hollow_at(rods, layer)
      opposite = @stage.reach.radii_mm[(((column + (@grid.angular / 2)) % @grid.angular) * @grid.axial) + layer]
      there = Numo::DFloat.cast(@stage.reach.thickness_mm[layer].gt(0))
      width = (outer - inner + (opposite * ((hollow * -1) + 1))) * there
      tip = Numo::DFloat.maximum(rows.radius_mm - depths_mm(rows), inner)
      Left.new(Numo::DFloat.minimum((outer - tip).clip(0, nil), width), width, tip, rows.z_mm)
    end

    # 1 where a sample lies over the hollow, and how far in that comes; 0 elsewhere.
    def hollow_at(rods, layer)
      return [Numo::DFloat.zeros(*rods.shape)] * 2 unless @stage.hollow?

      hollow = Numo::DFloat.cast(@stage.inner.thickness_mm[layer].gt(0))
      [hollow, @stage.inner_reach_mm[rods] * hollow]
    end

    # Along the axis from a face: in line with it lies the wood of that column.
    def face_left(rows)
      held = held_layers(rows)
      layers = Numo::DFloat.new(1, 1, @grid.axial).seq
      step = @grid.axial_step_mm
      low = (layers + (((held * -1) + 1) * @grid.axial)).min(axis: 2) * step
      high = ((layers + 1) * held).max(axis: 2) * step
      depth = depths_mm(rows)
      from_head = rows.enters == "head_face"
      width = held.sum(axis: 2) * step
      left = Numo::DFloat.minimum((depth - (from_head ? low : (high * -1) + @shape.length_mm)).clip(0, nil), width)
      tip = from_head ? Numo::DFloat.minimum(high, depth) : Numo::DFloat.maximum(low, (depth * -1) + @shape.length_mm)
      Left.new(left, width, rows.radius_mm, tip.clip(0, @shape.length_mm))
    end

    # cracks x samples x layers, 1 where there is wood at the sample's radius.
    def held_layers(rows)
      column = @grid.columns_at(rows.clock_deg).flatten
      radius = rows.radius_mm.reshape(column.size, 1)
      held = @stage.reach.radii_mm[column, true].ge(radius) & @stage.reach.thickness_mm.gt(0).reshape(1, @grid.axial)
      held &= (@stage.inner_reach_mm[column, true].le(radius) | @stage.inner.thickness_mm.le(0).reshape(1, @grid.axial)) if @stage.hollow?
      Numo::DFloat.cast(held).reshape(*rows.clock_deg.shape, @grid.axial)
    end
  end
end
