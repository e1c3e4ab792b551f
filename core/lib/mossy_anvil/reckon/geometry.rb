# frozen_string_literal: true

module MossyAnvil
  # The shapes a drawing needs, as plain data: nothing here is a judgement.
  class Geometry
    ANGLES = 120

    def initialize(blank)
      @blank = blank
      @shape = blank.shape
    end

    # by_test, suspects: bodies that tests show or hint at, as defects of a blank file.
    # surface.radii_mm[station][angle], angles in equal steps from 12 o'clock; profiles as [[z, r], ...].
    def to_h
      { length_mm: @shape.length_mm, max_radius_mm: @shape.max_radius_mm,
        by_test: @blank.defects.select(&:by_test?).map(&:to_document), suspects: @blank.suspects.map(&:to_document),
        surface: { z_mm: @shape.stations_mm, radii_mm: radii },
        form: @blank.form && { outside: @blank.form.outside.polyline, inside: @blank.form.inside&.polyline, opens: @blank.form.opens } }
    end

    private

    def radii
      angles = Numo::DFloat.new(ANGLES).seq * (360.0 / ANGLES)
      @shape.stations_mm.map { |z_mm| @shape.radius_mm(angles, Numo::DFloat.zeros(ANGLES) + z_mm).to_a }
    end
  end
end
