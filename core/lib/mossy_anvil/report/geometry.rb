# frozen_string_literal: true

module MossyAnvil
  module Report
    # The shapes a drawing needs, as plain data: nothing here is a judgement.
    class Geometry
      ANGLES = 120

      # blank: on its centres; surveyed: the same as the survey has it.
      def initialize(blank, surveyed)
        @blank = blank
        @surveyed = surveyed
      end

      # by_test, suspects: bodies that tests show or hint at, as defects of a blank file.
      # surface.radii_mm[station][angle], angles in equal steps from 12 o'clock; profiles as [[z, r], ...]. All of it
      # about the axis between the centres;
      # where that is not the survey's, survey has the surface about that one, and on_centres every defect about this
      # one.
      def to_h
        {
          **body(@blank.shape),
          survey: moved? ? body(@surveyed.shape) : nil,
          on_centres: moved? ? @blank.defects.reject(&:by_test?).map(&:to_document) : nil,
          by_test: @blank.defects.select(&:by_test?).map(&:to_document),
          suspects: @blank.suspects.map(&:to_document),
          form: @blank.form && form_of(@blank.form)
        }
      end

      private

      def moved? = !@blank.equal?(@surveyed)

      def form_of(form)
        { outside: form.outside.polyline, inside: form.inside&.polyline, opens: form.opens, walls: walls(form) }
      end

      # [z, radius of the hollow, thickness], mm, along the inside; nil of a solid.
      def walls(form)
        return unless form.hollow?

        places = Model::WallThickness.of(form, @blank.shape).places
        places.to_a.map(&:to_a).transpose.sort_by(&:first)
      end

      def body(shape)
        angles = Numo::DFloat.new(ANGLES).seq * (360.0 / ANGLES)
        radii = shape.stations_mm.map { |z_mm| shape.radius_mm(angles, Numo::DFloat.zeros(ANGLES) + z_mm).to_a }
        {
          length_mm: shape.length_mm,
          max_radius_mm: shape.max_radius_mm,
          surface: {
            z_mm: shape.stations_mm,
            radii_mm: radii
          }
        }
      end
    end
  end
end
