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
    Place = Struct.new(*PathDefect::Samples.members)

    # local_strength: callable of clock, radius and z, the share of strength of the wood there.
    def initialize(crack, blank, stage, grid, local_strength)
      @crack = crack
      @blank = blank
      @shape = blank.shape
      @stage = stage
      @grid = grid
      @local_strength = local_strength
    end

    # rpm, or nil where none of it is left or nothing pulls on it. burst: Burst of the stage, for the plane's stress.
    def runs_rpm(burst)
      samples = @crack.samples(@shape, count: SAMPLES)
      pieces = samples.to_a.map(&:to_a).transpose.filter_map { |place| left_of(Place.new(*place)) }
      return if pieces.empty?

      worst = pieces.max_by { |piece| piece[:depth_mm] / piece[:width_mm] }
      stress_mpa_per_w2 = burst.at(worst[:clock_deg]).mean_stress_pa_per_w2 * 1e-6
      return unless stress_mpa_per_w2.positive?

      intensity = CrackRun.intensity_mpa_sqrt_m(stress_mpa_per_w2, depth_mm: worst[:depth_mm], width_mm: worst[:width_mm], run_mm: run_mm(pieces))
      toughness = @blank.material.toughness_mpa_sqrt_m * pieces.map { |piece| piece[:strength] }.min
      Balance::RPM * Math.sqrt(toughness / intensity)
    end

    private

    # mm of run that is left; nil where it goes from end to end (which only a crack from the side can).
    def run_mm(pieces)
      left = pieces.sum { |piece| piece[:length_mm] }
      @crack.side? && left >= @stage.reach.thickness_mm.sum * CrackRun::WHOLE_RUN_SHARE ? nil : left
    end

    # What the stage leaves at one sample: depth, wood in line with it, strength at the tip; nil where nothing is left.
    def left_of(sample)
      column = @grid.column_at(sample.clock_deg)
      left = @crack.side? ? side_left(sample, column) : face_left(sample, column)
      return unless left && left[:depth_mm] > TINY_MM

      left.merge(clock_deg: sample.clock_deg, length_mm: sample.length_mm, strength: [@local_strength.call(sample.clock_deg, *left.delete(:tip)), Section::LIVE_SHARE].max)
    end

    # Radially inward: in line with it lies the wall or, where it is solid, the whole chord.
    def side_left(sample, column)
      layer = @grid.layer_at(sample.z_mm)
      return unless @stage.reach.thickness_mm[layer].positive?

      outer = @stage.reach.radii_mm[column, layer]
      hollow = @stage.hollow? && @stage.inner.thickness_mm[layer].positive?
      inner = hollow ? @stage.inner_reach_mm[column, layer] : 0.0
      width = hollow ? outer - inner : outer + @stage.reach.radii_mm[(column + (@grid.angular / 2)) % @grid.angular, layer]
      return unless width > TINY_MM

      tip = [sample.radius_mm - (@crack.through? ? @crack.through_depth_mm(@shape) : @crack.depth_mm), inner].max
      { depth_mm: (outer - tip).clamp(0, width), width_mm: width, tip: [tip, sample.z_mm] }
    end

    # Along the axis from a face: in line with it lies the wood of that column.
    def face_left(sample, column)
      layers = layers_at(column, sample.radius_mm)
      return if layers.empty?

      step = @grid.axial_step_mm
      low, high = layers.first * step, (layers.last + 1) * step
      depth = @crack.through? ? @shape.length_mm : @crack.depth_mm
      from_head = @crack.enters == "head_face"
      gone = from_head ? low : @shape.length_mm - high
      width = layers.size * step
      { depth_mm: (depth - gone).clamp(0, width), width_mm: width,
        tip: [sample.radius_mm, from_head ? [depth, high].min : [@shape.length_mm - depth, low].max] }
    end

    # Layers that hold wood at that radius of a column.
    def layers_at(column, radius_mm)
      held = @stage.reach.thickness_mm.gt(0) & @stage.reach.radii_mm[column, true].ge(radius_mm)
      held &= (@stage.inner.thickness_mm.le(0) | @stage.inner_reach_mm[column, true].le(radius_mm)) if @stage.hollow?
      held.where.to_a
    end
  end
end
