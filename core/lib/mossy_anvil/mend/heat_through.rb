# frozen_string_literal: true

module MossyAnvil
  module Mend
    # How long a piece takes in an oven until its core has come within a share of the way to the oven's temperature.
    # Source: textbook heat conduction, full series; a piece of two ways is the product of both.
    module HeatThrough
      TERMS = 24
      # First zeros of the Bessel function J0, and from there on about pi apart.
      J0_ZEROS = [2.404825558, 5.520078110, 8.653727913, 11.79153444, 14.93091771].freeze

      module_function

      # Minutes for the core of a cylinder: across and long in mm, either nil where it goes on for ever that way.
      # within: share of the way still to go.
      def minutes(across_mm: nil, length_mm: nil, within: row["core_within"], diffusivity_m2_s: row["diffusivity_m2_s"])
        low, high = 0.0, 60.0
        left = ->(time) { to_go(time, across_mm, length_mm, diffusivity_m2_s) }
        high *= 2 while left.call(high) > within
        50.times { ((low + high) / 2).then { |middle| left.call(middle) > within ? low = middle : high = middle } }
        high
      end

      # Share of the way that the core still has to go after so many minutes, by the Fourier number: diffusivity times
      # time over the half thickness squared.
      def to_go(minutes, across_mm, length_mm, diffusivity_m2_s = row["diffusivity_m2_s"])
        fourier = ->(half_mm) { diffusivity_m2_s * minutes * 60 / ((half_mm / 1000)**2) }
        (across_mm ? cylinder(fourier.call(across_mm / 2.0)) : 1.0) *
          (length_mm ? slab(fourier.call(length_mm / 2.0)) : 1.0)
      end

      # Middle of a slab whose faces are at the oven's temperature, by the half thickness.
      def slab(fourier)
        return 1.0 if fourier < 1e-3

        TERMS.times.sum do |n|
          ((2 * n) + 1).then { |odd| 4 / Math::PI * ((-1)**n) / odd * Math.exp(-((odd * Math::PI / 2)**2) * fourier) }
        end
      end

      # Axis of a cylinder, by the radius: sum of 2 / (z J1(z)) e^(-z2 Fo).
      def cylinder(fourier)
        return 1.0 if fourier < 1e-2

        terms.sum { |zero, share| share * Math.exp(-(zero**2) * fourier) }
      end

      def zeros =
        @zeros ||=
          (J0_ZEROS + (6..TERMS).map { |n| ((n - 0.25) * Math::PI) + (1 / (8 * (n - 0.25) * Math::PI)) }).freeze

      # [[zero of J0, 2 / (z J1(z))], ...]: the same for every piece.
      def terms = @terms ||= zeros.map { |zero| [zero, 2 / (zero * bessel_j1(zero))].freeze }.freeze

      # J1 by its integral: mean over half a turn of cos(angle - x sin angle).
      def bessel_j1(argument, pieces = 400)
        pieces.times.sum do |piece|
          ((piece + 0.5) * Math::PI / pieces).then { |angle| Math.cos(angle - (argument * Math.sin(angle))) }
        end / pieces
      end

      def row = Table["hardeners"]["stabilise"]
    end
  end
end
