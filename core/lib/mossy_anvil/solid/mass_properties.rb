# frozen_string_literal: true

module MossyAnvil
  module Solid
    # Volume, mass, centre of mass and imbalance of a stage, from running sums of density.
    class MassProperties
      KG_MM3 = 1e-9
      G_MM3 = 1e-6

      # moments: per angle, the integrals of density * r^n (n = 1, 2, 3) dr dz, and the second and first with z.
      attr_reader :volume_mm3, :mass_g, :centre_of_mass_mm, :imbalance_vector_g_mm, :moments

      # density_sums: RunningIntegrals of kg/m3 with powers 1, 2 and 3. outside: the same of the stage before the hollow
      # is cut, where it is known.
      def initialize(grid, density_sums, stage, outside: nil)
        @grid = grid
        @sums = density_sums
        collect(stage, outside)
        weigh
        freeze
      end

      # g mm, size of the imbalance vector.
      def imbalance_g_mm = Math.hypot(*imbalance_vector_g_mm)

      # Clock angle the heavy side points to; nil where it is balanced (under a millionth of mass times radius).
      def heavy_clock_deg(swing_mm)
        return if mass_g.zero? || imbalance_g_mm < 1e-6 * mass_g * swing_mm

        ClockAngle.of_point(*imbalance_vector_g_mm)
      end

      # The same moments for the pull that splits, heavier by what defects lighten the wood by. lightening:
      # RunningIntegrals of that, with powers 2 and 3.
      def pulling(lightening)
        column, layer = lightening.columns_and_layers
        @parts.inject(moments) do |sums, (cut, layers, sign)|
          thick = layers.thickness_mm[layer] * sign
          second, third = lightening.held(cut).map { |held| held * thick }
          added = { r2: second, r2_z: second * layers.middle_mm[layer], r3: third }
          sums.merge(added) { |_, sum, more| sum + column.bincount(more, minlength: @grid.angular) }
        end
      end

      # g mm that some part of it may be out of balance by: nothing that is missing on one side makes up for what is
      # missing elsewhere. pulled: as of #pulling.
      def most_imbalance_g_mm(pulled)
        Math.hypot(*vector_g_mm(pulled[:r2])) + ((pulled[:r2] - moments[:r2]).sum * @grid.angular_step_rad * G_MM3)
      end

      protected

      attr_reader :parts

      private

      # @parts: cut, layers and sign of the outer bound and, where it is hollow, of the inner one.
      def collect(stage, outside)
        totals = outside ? outside.moments.dup : Hash.new(0.0)
        more = outside ? [] : [[IntegrationLimit.new(@grid, stage.outer.radii_mm), stage.outer, 1]]
        more << [IntegrationLimit.new(@grid, stage.inner_within(stage.outer)), stage.inner, -1] if stage.hollow?
        more.each { |cut, layers, sign| add(totals, cut, layers, sign) }
        @parts = [*outside&.parts, *more]
        @volume_mm3 = totals[:area].sum * @grid.angular_step_rad
        @moments = totals.freeze
      end

      def add(totals, cut, layers, sign)
        thickness = layers.thickness_mm * sign
        with_z = thickness * layers.middle_mm
        totals[:area] += cut.raised(2).dot(thickness) / 2
        %i[r1 r2 r3].zip(@sums.up_to(cut)) do |name, up_to|
          totals[name] += up_to.dot(thickness)
          totals[:"#{name}_z"] += up_to.dot(with_z) unless name == :r3
        end
      end

      def weigh
        step = @grid.angular_step_rad
        @mass_g = moments[:r1].sum * step * G_MM3
        @imbalance_vector_g_mm = vector_g_mm(moments[:r2]).freeze
        centre_z = @mass_g.zero? ? 0.0 : moments[:r1_z].sum * step * G_MM3 / @mass_g
        @centre_of_mass_mm = [
          *@imbalance_vector_g_mm.map { |part| @mass_g.zero? ? 0.0 : part / @mass_g },
          centre_z
        ].freeze
      end

      # first: density * r^2 integrated over r and z, one an angle.
      def vector_g_mm(first)
        [@grid.sines, @grid.cosines].map { |share| (first * share).sum * @grid.angular_step_rad * G_MM3 }
      end
    end
  end
end
