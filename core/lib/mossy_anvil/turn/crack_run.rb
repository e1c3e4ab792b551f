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

  # One open crack at one stage: what is left of it, and the speed at which it runs.
  class CrackAtStage
    TINY_MM = 0.1
    SAMPLES = 32
    # What is left at the samples of a crack: arrays of depth, of wood in line with it, and of the place of its tip (radius, z).
    Left = Struct.new(:depth_mm, :width_mm, :tip_radius_mm, :tip_z_mm)

    # local_strength: callable of arrays of clock, radius and z, the share of strength of the wood there.
    def initialize(crack, blank, stage, grid, local_strength)
      @crack = crack
      @blank = blank
      @shape = blank.shape
      @stage = stage
      @grid = grid
      @local_strength = local_strength
      @samples = crack.samples(@shape, count: SAMPLES)
    end

    # rpm, or nil where none of it is left or nothing pulls on it. burst: Burst of the stage, for the plane's stress.
    def runs_rpm(burst)
      left = @crack.side? ? side_left : face_left
      there = (left.width_mm.gt(TINY_MM) & left.depth_mm.gt(TINY_MM)).where
      return if there.empty?

      worst = there[(left.depth_mm[there] / left.width_mm[there]).max_index]
      stress_mpa_per_w2 = burst.at(@samples.clock_deg[worst]).mean_stress_pa_per_w2 * 1e-6
      return unless stress_mpa_per_w2.positive?

      intensity = CrackRun.intensity_mpa_sqrt_m(stress_mpa_per_w2, depth_mm: left.depth_mm[worst], width_mm: left.width_mm[worst], run_mm: run_mm(there))
      toughness = @blank.material.toughness_mpa_sqrt_m * weakest_tip(left, there)
      Balance::RPM * Math.sqrt(toughness / intensity)
    end

    private

    def weakest_tip(left, there)
      found = @local_strength.call(@samples.clock_deg[there], left.tip_radius_mm[there], left.tip_z_mm[there])
      [found.min, Section::LIVE_SHARE].max
    end

    # mm of run that is left; nil where it goes from end to end (which only a crack from the side can).
    def run_mm(there)
      left = @samples.length_mm[there].sum
      @crack.side? && left >= @stage.reach.thickness_mm.sum * CrackRun::WHOLE_RUN_SHARE ? nil : left
    end

    # Radially inward: in line with it lies the wall or, where it is solid, the whole chord.
    def side_left
      column, layer = @grid.columns_at(@samples.clock_deg), @grid.layers_at(@samples.z_mm)
      rods = (column * @grid.axial) + layer
      outer = @stage.reach.radii_mm[rods].dup
      hollow, inner = hollow_at(rods, layer)
      opposite = @stage.reach.radii_mm[(((column + (@grid.angular / 2)) % @grid.angular) * @grid.axial) + layer]
      there = Numo::DFloat.cast(@stage.reach.thickness_mm[layer].gt(0))
      width = (outer - inner + (opposite * ((hollow * -1) + 1))) * there
      tip = Numo::DFloat.maximum(@samples.radius_mm - (@crack.through? ? @crack.through_depth_mm(@shape) : @crack.depth_mm), inner)
      Left.new(Numo::DFloat.minimum((outer - tip).clip(0, nil), width), width, tip, @samples.z_mm)
    end

    # 1 where a sample lies over the hollow, and how far in that comes; 0 elsewhere.
    def hollow_at(rods, layer)
      return [Numo::DFloat.zeros(rods.size)] * 2 unless @stage.hollow?

      hollow = Numo::DFloat.cast(@stage.inner.thickness_mm[layer].gt(0))
      [hollow, @stage.inner_reach_mm[rods] * hollow]
    end

    # Along the axis from a face: in line with it lies the wood of that column.
    def face_left
      held = held_layers
      layers = Numo::DFloat.new(1, @grid.axial).seq
      step = @grid.axial_step_mm
      low = (layers + (((held * -1) + 1) * @grid.axial)).min(axis: 1) * step
      high = ((layers + 1) * held).max(axis: 1) * step
      depth = @crack.through? ? @shape.length_mm : @crack.depth_mm
      from_head = @crack.enters == "head_face"
      width = held.sum(axis: 1) * step
      left = Numo::DFloat.minimum((depth - (from_head ? low : (high * -1) + @shape.length_mm)).clip(0, nil), width)
      tip = from_head ? Numo::DFloat.minimum(high, depth) : Numo::DFloat.maximum(low, @shape.length_mm - depth)
      Left.new(left, width, @samples.radius_mm, tip.clip(0, @shape.length_mm))
    end

    # samples x layers, 1 where there is wood at the sample's radius.
    def held_layers
      column = @grid.columns_at(@samples.clock_deg)
      radius = @samples.radius_mm.reshape(column.size, 1)
      held = @stage.reach.radii_mm[column, true].ge(radius) & @stage.reach.thickness_mm.gt(0).reshape(1, @grid.axial)
      held &= (@stage.inner_reach_mm[column, true].le(radius) | @stage.inner.thickness_mm.le(0).reshape(1, @grid.axial)) if @stage.hollow?
      Numo::DFloat.cast(held)
    end
  end
end
