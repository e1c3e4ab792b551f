# frozen_string_literal: true

module MossyAnvil
  module Solid
    # The solid at one stage of turning: in every column the wood from `inner` to `outer`.
    # Ends that fall inside a layer count by the share of the layer they take.
    class Stage
      NAMES = %i[blank rounded outside hollowed].freeze

      # One bound of the solid: radii (columns x layers), thickness and middle of each layer (mm).
      Layering = Struct.new(:radii_mm, :thickness_mm, :middle_mm)

      # outer, inner: bounds for volume; outer_at_planes: the outer bound in the planes through the axis, exact at each
      # angle.
      # inner_at_planes_mm: the hollow's radii within `outer_at_planes`, nil where nothing is hollowed.
      attr_reader :name, :outer, :inner, :outer_at_planes, :inner_at_planes_mm, :swing_mm, :round_radius_mm

      # outside: the Stage before the hollow is cut, where there is one already; what it has on the outside is the same.
      def initialize(name, grid, blank, outside: nil)
        @name = name
        @grid = grid
        @shape = blank.shape
        @form = blank.form
        @round_radius_mm = Stage.round_radius_mm(blank)
        @outer, @outer_at_planes =
          outside ? outside.outer_bounds : layerings([grid.surface_mm, grid.surface_at_planes_mm])
        @inner = hollow? ? hollow_layering : nil
        @inner_at_planes_mm = hollow? ? inner_within(@outer_at_planes) : nil
        @swing_mm = largest_swing
        freeze
      end

      # What `rounded` turns to: the form's largest or, without one, the largest circle that fits.
      def self.round_radius_mm(blank) = blank.form ? blank.form.outside.largest_mm : blank.shape.min_radius_mm

      # The stages this blank goes through.
      def self.names_for(blank)
        # Without a form nothing says what it would be rounded to.
        return NAMES.first(1) unless blank.form

        blank.form.hollow? ? NAMES : NAMES.first(3)
      end

      # Does it run true: the same outer radius all round, at every z?
      def true_running?
        spread = @outer_at_planes.radii_mm.max(axis: 0) - @outer_at_planes.radii_mm.min(axis: 0)
        (spread * @outer_at_planes.thickness_mm.gt(0)).max < 0.5
      end

      def hollow? = @name == :hollowed

      def outer_bounds = [@outer, @outer_at_planes]

      # Inner radii within the outer ones (the hollow cannot take what is not there).
      def inner_within(layers)
        Numo::DFloat.minimum(@inner.radii_mm, layers.radii_mm)
      end

      private

      # The outer bound within each of some surfaces.
      def layerings(surfaces)
        return surfaces.map { |surface| Layering.new(surface, full_layers, @grid.heights_mm) } if @name == :blank
        return within(surfaces, round_radius_mm, full_layers, @grid.heights_mm) if @name == :rounded

        thickness, middle = overlap(*@form.z_span_mm)
        within(surfaces, profile_radii(@form.outside, middle), thickness, middle)
      end

      def within(surfaces, radii, thickness, middle) =
        surfaces.map { |surface| Layering.new(Numo::DFloat.minimum(surface, radii), thickness, middle) }

      def hollow_layering
        thickness, middle = overlap(@form.inside.first_z_mm, @form.inside.last_z_mm)
        radii = profile_radii(@form.inside, middle) + Numo::DFloat.zeros(@grid.angular, @grid.axial)
        Layering.new(radii, thickness, middle)
      end

      def full_layers = Numo::DFloat.new(@grid.axial).fill(@grid.axial_step_mm)

      # Thickness and middle of each layer's part between two z.
      def overlap(low, high)
        half = @grid.axial_step_mm / 2
        from = (@grid.heights_mm - half).clip(low, high)
        to = (@grid.heights_mm + half).clip(low, high)
        [to - from, (to + from) / 2]
      end

      def profile_radii(profile, middle)
        profile.radii_mm(middle).reshape(1, @grid.axial)
      end

      # Diameter of the largest circle any of it can describe, mm; never under the true one.
      def largest_swing
        full = 2 * @shape.max_radius_mm
        @name == :blank ? full : [full, 2 * @round_radius_mm].min
      end
    end
  end
end
