# frozen_string_literal: true

module MossyAnvil
  # Integrals of one cell field from the axis outwards, in powers of r:
  # sum(power) up to any radius of any column is a look-up.
  class RunningSums
    # field: columns x layers x cells. powers: the n of the integrals of field * r^n dr that are wanted.
    def initialize(grid, field, powers)
      @field = field.flatten
      @sums = powers.to_h { |power| [power, cumulate(grid, field, power)] }
    end

    # Integral of field * r^power dr from 0 to the radii of a Cut, one for each column.
    def up_to(cut, power)
      rise = power + 1
      @sums[power][cut.cells] - (@field[cut.cells] * cut.beyond(rise))
    end

    private

    def cumulate(grid, field, power)
      rise = power + 1
      weights = ((grid.outer_edges_mm**rise) - (grid.inner_edges_mm**rise)) / rise
      (field * weights.reshape(1, 1, grid.radial)).cumsum(axis: 2).flatten
    end
  end

  # A radius in every column, and the cell it falls in.
  class Cut
    attr_reader :cells, :radii_mm

    # radii_mm: columns x layers.
    def initialize(grid, radii_mm)
      @radii_mm = radii_mm
      place = Numo::Int32.cast((radii_mm / grid.radial_step_mm).floor).clip(0, grid.radial - 1)
      @cells = place + (Numo::Int32.new(*radii_mm.shape).seq * grid.radial)
      @edges = grid.outer_edges_mm[place]
      @beyond = {}
    end

    # (R^n - r^n) / n: what of the cell lies beyond the cut, R its outer edge.
    def beyond(rise)
      @beyond[rise] ||= ((@edges**rise) - (@radii_mm**rise)) / rise
    end
  end
end
