# frozen_string_literal: true

module MossyAnvil
  module Mend
    # Heat conduction through a slab with nothing happening in it but conduction: nodes evenly through the depth, both
    # faces losing heat to the same air.
    # Exact in time: T(t) = air + e^(A t)(T - air), the exponential by Taylor for the shortest step and by squaring for
    # twice as long, each kept.
    # Source: textbook heat conduction, finite volumes.
    class CoolingSlab
      TAYLOR_TERMS = 12
      LEVELS = 40

      # depth in mm; bottom_h and top_h in W/m2K, 0 for perfect insulation.
      def initialize(depth_mm, nodes:, diffusivity_m2_s:, conductivity:, bottom_h:, top_h:)
        @nodes = nodes
        @spacing_m = depth_mm / 1000.0 / (nodes - 1)
        @rate = diffusivity_m2_s / (@spacing_m**2)
        @loss = [bottom_h, top_h].map { |h| 2 * h * diffusivity_m2_s / (conductivity * @spacing_m) }
        @matrix = conduction
        @shortest_s = 0.25 / @matrix.abs.max
        @powers = [exponential]
      end

      # The longest step of twice the shortest, four times and so on that is no longer than so many s; never shorter
      # than twice the shortest.
      def step_no_longer_than(seconds)
        level = seconds <= 2 * @shortest_s ? 1 : [Math.log2(seconds / @shortest_s).floor, LEVELS].min
        @shortest_s * (2**level)
      end

      # Temperatures after one of those steps, or half of one, in air of air_c.
      def after(step_s, celsius, air_c)
        power(Math.log2(step_s / @shortest_s).round).dot(celsius - air_c) + air_c
      end

      private

      # A of dT/dt = A (T - air): half cells at the faces.
      def conduction
        matrix = Numo::DFloat.zeros(@nodes, @nodes)
        @nodes.times do |row|
          neighbours = [row - 1, row + 1].grep(0..(@nodes - 1))
          share = neighbours.one? ? 2 * @rate : @rate
          neighbours.each { |other| matrix[row, other] = share }
          matrix[row, row] = -share * neighbours.size
        end
        matrix[0, 0] -= @loss[0]
        matrix[-1, -1] -= @loss[1]
        matrix
      end

      def exponential
        small = @matrix * @shortest_s
        term = Numo::DFloat.eye(@nodes)
        sum = term.dup
        (1..TAYLOR_TERMS).each { |order| sum += (term = term.dot(small) / order) }
        sum
      end

      def power(level)
        @powers << @powers.last.dot(@powers.last) while @powers.size <= level
        @powers[level]
      end
    end
  end
end
