# frozen_string_literal: true

module MossyAnvil
  # Integrals of a Field from the axis outwards, in powers of r. In the rods where the field is its plain ground they are a
  # formula, elsewhere a look-up in sums run up along r.
  class RunningSums
    attr_reader :rods

    # powers: the n of the integrals of field * r^n dr that are wanted, one after another.
    def initialize(field, powers)
      @ground = field.ground
      @rods = field.rods
      @rises = (powers.first + 1)..(powers.last + 1)
      return if field.plain?

      @cells = field.cells
      @sums = cumulated(field)
    end

    # Integrals of field * r^n dr from 0 to the radii of a Cut: for each power an array of columns x layers.
    def up_to(cut)
      whole = @rises.map { |rise| cut.raised(rise) * (@ground / rise) }
      whole.zip(held(cut)) { |power, part| power[@rods] = part } if @cells
      whole
    end

    # The same for the field's own rods alone: for each power one value a rod.
    def held(cut)
      place = cut.at_rods(@rods)
      value = @cells[place.cells].dup
      @rises.zip(@sums).map { |rise, sums| sums[place.cells] - (value * place.beyond(rise)) }
    end

    private

    # For each rise rods x cells: from the axis to each cell's outer edge. One long array is weighed anew for the next rise.
    def cumulated(field)
      grid, weighed, before = field.grid, field.cells.dup, 1
      @rises.map do |rise|
        weights = ((grid.outer_edges_mm**rise) - (grid.inner_edges_mm**rise)) / rise
        Overwrite.multiply(weighed, (weights / before).reshape(1, grid.radial))
        before = weights
        weighed.cumsum(axis: 1)
      end
    end
  end

  # A radius in every rod of a grid.
  class Cut
    # The cells that the radii of some rods fall in, and what of each lies beyond.
    Place = Struct.new(:cells, :edges, :radii) do
      # (R^n - r^n) / n, R the outer edge of the cell.
      def beyond(rise)
        (@beyond ||= {})[rise] ||= (Cut.power(edges, rise) - Cut.power(radii, rise)) / rise
      end
    end

    attr_reader :radii_mm

    # radii_mm: columns x layers.
    def initialize(grid, radii_mm)
      @grid = grid
      @radii_mm = radii_mm
      @raised = {}
      @places = {}.compare_by_identity
    end

    # radii^n
    def raised(exponent) = @raised[exponent] ||= Cut.power(@radii_mm, exponent)

    def at_rods(rods) = @places[rods] ||= place_at(rods)

    # By multiplication, which is many times quicker than the general power.
    def self.power(base, exponent)
      case exponent
      when 1 then base
      when 2 then base * base
      when 3 then base * base * base
      else (base * base).then { |square| square * square }
      end
    end

    private

    def place_at(rods)
      radii = @radii_mm[rods].dup
      cell = Numo::Int32.cast(radii / @grid.radial_step_mm).clip(0, @grid.radial - 1)
      Place.new(cell + (Numo::Int32.new(rods.size).seq * @grid.radial), @grid.outer_edges_mm[cell].dup, radii)
    end
  end
end
