# frozen_string_literal: true

module MossyAnvil
  # What the form leaves, as plain data: walls, floor, skin, breakthroughs.
  class FormReport
    def initialize(solid, workings)
      @solid = solid
      @blank = solid.blank
      @workings = workings
    end

    # nil where the blank has no form yet.
    def to_h
      return unless @blank.form

      least = @solid.least_wall
      area = SkinArea.new(@blank.form, @blank.shape)
      { least_wall_mm: put("least_wall_mm", least&.thickness_mm, "mm", "shortest way through the wood from the hollow to the outside"),
        least_wall_at: least && { z_mm: least.z_mm, r_mm: least.r_mm },
        floor_mm: put("floor_mm", @blank.form.floor_mm, "mm", "floor on the axis, from the closed end to the hollow"),
        breaks_through: @solid.shares.select { |_, share| share.breaks_through? }.map { |defect, _| defect.id },
        skin_area_mm2: {
          outside: put("skin_area_mm2/outside", area.outside_mm2, "mm2", "profile swept round the axis where there is wood, with the end faces", source: "Pappus"),
          inside: put("skin_area_mm2/inside", area.inside_mm2, "mm2", "inside profile swept round the axis, with the floor",
            source: "Pappus")
        } }
    end

    private

    def put(key, value, unit, formula, source: "Geometry of the form and the wood")
      @workings.put("/form/#{key}", value: value, unit: unit, formula: formula, source: source, certainty: :derived)
    end
  end
end
