# frozen_string_literal: true

module MossyAnvil
  module Turn
    # Looks along the skin that a stage is cut to for the circle that is most in the air.
    # The blank as it stands is looked at where rounding will cut it first true: at the radius it is rounded to.
    class MostAir
      UNDER_MM = 0.05
      LEAST_SHARE = 1.0 / 360
      # Rods in which a void lies in the way of a cut, by void, what the grid is over, form and stage.
      MET = Cache.new(600)

      def initialize(blank, grid, stage)
        @blank = blank
        @grid = grid
        @stage = stage
      end

      # The CuttingCircle, or nil where the edge never leaves the wood.
      def circle
        radii = skin_radii
        out_share = out_of_wood(radii).mean(axis: 0)
        # A layer that is all air is not cut at all.
        share = out_share * Numo::DFloat.cast(out_share.lt(1))
        layer = share.max_index
        return if share[layer] < LEAST_SHARE

        found = CuttingCircle.new(@blank, [radii[layer] - UNDER_MM, UNDER_MM].max, @grid.heights_mm[layer])
        found.air_share < LEAST_SHARE ? nil : found
      end

      private

      # Radius of the cut at every layer; 0 where the stage leaves nothing to cut.
      def skin_radii
        return (@grid.heights_mm * 0) + @stage.round_radius_mm unless form_stage?

        profile = @stage.hollow? ? @blank.form.inside : @blank.form.outside
        span = [profile.first_z_mm, profile.last_z_mm]
        profile.radii_mm(@grid.heights_mm) *
          Numo::DFloat.cast(@grid.heights_mm.ge(span[0]) & @grid.heights_mm.le(span[1]))
      end

      def form_stage? = %i[outside hollowed].include?(@stage.name)

      # Columns x layers, 1 where the cut is in the air: beyond the wood, or in an empty void.
      def out_of_wood(radii)
        cut = radii - UNDER_MM
        out = Numo::DFloat.cast(@grid.surface_at_planes_mm.lt(cut.reshape(1, @grid.axial)))
        at_layers = cut.to_a
        empty_voids.each do |void|
          rods = MET.of([void, @grid.over, @blank.form, @stage.name]) { met(void, cut, at_layers) }
          out[rods] = 1 unless rods.empty?
        end
        out * Numo::DFloat.cast(cut.gt(0)).reshape(1, @grid.axial)
      end

      # The rods whose cut runs through a void, looking only where the void can be. at_layers: the cut as a list.
      def met(void, cut, at_layers)
        cover = Solid::BodyCover.new(@grid, void)
        layers = cover.layers
        return Numo::Int32[] if layers.nil? || misses?(void, at_layers[layers])

        columns = cover.columns
        radii, heights = [cut, @grid.heights_mm].map { |values| values[layers].reshape(1, layers.size) }
        held = void.hold?(@grid.angles_deg[columns].reshape(columns.size, 1), radii, heights)
        @grid.rods_at(columns, layers)[held.where].dup
      end

      def misses?(void, radii)
        reach = void.size_mm.first(2).max / 2
        radii.min > void.radius_mm + reach || radii.max < void.radius_mm - reach
      end

      def empty_voids = @blank.defects.select { |defect| defect.type == "void" && defect.detail[:contents] == "air" }
    end
  end
end
