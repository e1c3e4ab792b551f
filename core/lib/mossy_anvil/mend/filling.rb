# frozen_string_literal: true

module MossyAnvil
  # Volumes to fill and what to fill them with.
  module Filling
    module_function

    # mm3 of a crack: a wedge, or parallel where it goes right through.
    def crack_mm3(run_mm, depth_mm, mouth_mm, through: false)
      run_mm * depth_mm * mouth_mm * (through ? 1.0 : 0.5)
    end

    # mm3 of an ellipsoid pocket of full extents a, b, c.
    def pocket_mm3(size_mm)
      Math::PI / 6 * size_mm.inject(:*)
    end

    # mm3 of a field of round insect holes.
    def galleries_mm3(hole_diameter_mm, depth_mm, count)
      Math::PI / 4 * (hole_diameter_mm**2) * depth_mm * count
    end

    # The filler for a mouth of that width (mm): a row of the fillers table.
    def filler_for(mouth_mm)
      Table["fillers"]["rows"].find { |row| mouth_mm >= row["mouth_from_mm"] && mouth_mm < row["mouth_to_mm"] } ||
        Table["fillers"]["rows"].last
    end
  end
end
