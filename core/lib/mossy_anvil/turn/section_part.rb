# frozen_string_literal: true

module MossyAnvil
  module Turn
    # One bound of a section: the wood from the axis out to it, or, of a hollow, the wood that is missing up to it. The
    # same for all stages that have that bound.
    class SectionPart
      # Rows of the moments: area, and its first and second moments by u (out from the axis) and z.
      MOMENTS = %i[a u uu z zz uz].freeze

      # cut: Solid::IntegrationLimit; integrals of sound wood up to it (own_integrals: of resin, or nil).
      attr_reader :cut, :integrals, :own_integrals

      # radii_mm: of the bound, columns x layers. layers: Layering; sign: -1 of a hollow. cells: of the sound wood.
      def initialize(grid, radii_mm, layers, sign, cells)
        @grid = grid
        @cut = Solid::IntegrationLimit.new(grid, radii_mm)
        @by_z = by_z(layers, sign)
        @integrals, @own_integrals = cells.sums.up_to(@cut), cells.own_sums&.up_to(@cut)
        @wood_changes, @own_changes = {}.compare_by_identity, {}.compare_by_identity
      end

      # MOMENTS x angle of the sound wood, weighted by share of strength; of resin by MPa, nil where there is none.
      def wood = @wood ||= moments(integrals)
      def own = @own ||= own_integrals && moments(own_integrals)

      # What WeakRods change in either.
      def wood_change(weak) = @wood_changes[weak] ||= change(weak, &:wood_change)
      def own_change(weak) = @own_changes[weak] ||= change(weak, &:own_change)

      private

      # What each layer weighs in by for moments with z to the power of 0, 1 and 2: 1 x 3 x layers.
      def by_z(layers, sign)
        thick = layers.thickness_mm * sign
        middle = layers.middle_mm
        weights = [thick, thick * middle, thick * ((middle**2) + ((layers.thickness_mm**2) / 12))]
        Numo::DFloat
          .zeros(1, weights.size, @grid.axial)
          .tap { |table| weights.each_with_index { |own, index| table[0, index, true] = own } }
      end

      def by_two = @by_two ||= @by_z[true, 0..1, true].dup
      def by_thickness = @by_thickness ||= @by_z[0, 0, true].dup

      # The block asks one of the weak rods for its change. Summed over the columns they lie in alone.
      def change(weak)
        return 0 if weak.columns.empty?

        whole = Solid::RunningIntegrals::POWERS.map { Numo::DFloat.zeros(weak.columns.size, @grid.axial) }
        weak.each { |one, places| yield(one, self)&.zip(whole) { |more, power| power[places] = more } }
        Numo::DFloat.zeros(MOMENTS.size, @grid.angular).tap { |all| all[true, weak.columns] = moments(whole) }
      end

      # integrals: of r to the power of 0, 1 and 2, each columns x layers. Summed over the layers by one product with
      # all the weights that each goes with; the rows are those of MOMENTS.
      def moments((zero, one, two))
        Numo::DFloat
          .zeros(MOMENTS.size, two.shape[0])
          .tap do |table|
            table[[0, 3, 4], true] = zero[true, :new, true].mulsum(@by_z, axis: 2).transpose
            table[[1, 5], true] = one[true, :new, true].mulsum(by_two, axis: 2).transpose
            table[2, true] = two.mulsum(by_thickness, axis: 1)
          end
      end
    end
  end
end
