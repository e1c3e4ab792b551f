# frozen_string_literal: true

# A blank document again and again, each time a little other than before, as it comes from a hand that moves things.
class Touches
  # So little that nothing else changes.
  STEP_MM = 1e-5

  def initialize
    @count = 0
  end

  # With one defect other than as it was given, the next one each time.
  def one(document)
    @count += 1
    defects = document["defects"]
    document.merge(
      "defects" =>
        defects.each_with_index.map { |defect, index| index == @count % defects.size ? touched(defect) : defect }
    )
  end

  # With its shape, its wood and all defects other.
  def all(document)
    @count += 1
    shape, material = document.values_at("shape", "material")
    longer =
      (
        if shape.key?("length_mm")
          { "length_mm" => shape["length_mm"] + by_mm }
        else
          { "stations" => shape["stations"].map { |station| wider(station) } }
        end
      )
    document.merge(
      "shape" => shape.merge(longer),
      "material" => material.merge("density_kg_m3" => material["density_kg_m3"] + by_mm),
      "defects" => document["defects"].map { |defect| touched(defect) }
    )
  end

  private

  def by_mm = @count * STEP_MM
  def wider(station) = station.merge("radii_mm" => station["radii_mm"].map { |radius| radius + by_mm })

  def touched(defect)
    return defect.merge("depth_mm" => defect["depth_mm"] + by_mm) if defect.key?("depth_mm")

    defect.merge("size_mm" => defect["size_mm"].map { |extent| extent + by_mm })
  end
end
