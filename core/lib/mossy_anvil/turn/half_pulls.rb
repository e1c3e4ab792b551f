# frozen_string_literal: true

module MossyAnvil
  # The pull of each half of the piece on the plane through the axis that parts it from the other.
  # A half is named by the angle its plane starts at and lies clockwise from it.
  # For half k, at w = 1 rad/s: pull = integral of density * d dV, d = distance from the plane;
  # it acts at u (along the plane, + towards angle k) and z. Found from per-angle moments by circular convolution,
  # with the sine integrated exactly over each cell's arc.
  class HalfPulls
    # pull: kg m (times w2 gives N). u_mm, z_mm: where it acts. One entry for every grid angle.
    attr_reader :pull_kg_m, :u_mm, :z_mm

    # moments: as MassProperties#moments, density in kg/m3 and lengths in mm.
    def initialize(grid, moments)
      @angular = grid.angular
      @step = grid.angular_step_rad
      sine, sine_cosine = weights
      pull = turn_over(sine, moments[:r2])
      safe = Numo::DFloat.maximum(pull, 1e-30)
      @u_mm = turn_over(sine_cosine, moments[:r3]) / safe
      @z_mm = turn_over(sine, moments[:r2_z]) / safe
      @pull_kg_m = pull * 1e-12
      freeze
    end

    private

    # Integrals of sin and sin cos over the part of each cell that lies in the half, by cells ahead of its start.
    def weights
      bounds = Array.new(@angular) do |ahead|
        centre = ahead * @step
        # The last cell straddles the start and reaches into the half from behind.
        centre -= 2 * Math::PI if ahead == @angular - 1 && centre + (@step / 2) > 2 * Math::PI
        [centre - (@step / 2), centre + (@step / 2)].map { |edge| edge.clamp(0, Math::PI) }
      end
      [Numo::DFloat.cast(bounds.map { |low, high| Math.cos(low) - Math.cos(high) }),
       Numo::DFloat.cast(bounds.map { |low, high| ((Math.sin(high)**2) - (Math.sin(low)**2)) / 2 })]
    end

    # sum over ahead of weight[ahead] * moment[k + ahead], for every k.
    def turn_over(weight, moment)
      index = Numo::Int32.new(@angular, 1).seq + Numo::Int32.new(1, @angular).seq
      (moment[index % @angular] * weight.reshape(1, @angular)).sum(axis: 1)
    end
  end
end
