# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # What tests by hand find of what is truly in a piece.
    class HandTests
      KINDS = %w[tap awl feel pry].freeze

      # defects: all that is truly in it. skin_mm: (clock_deg, z_mm) -> mm from the axis to its skin there.
      def initialize(defects, skin_mm)
        @defects = defects
        @skin_mm = skin_mm
      end

      # The skin of a shape, as it is taken.
      def self.skin_of(shape)
        lambda do |clock_deg, z_mm|
          found = shape.radius_mm(Numo::DFloat[clock_deg], Numo::DFloat[z_mm])
          found.is_a?(Numeric) ? found : found.to_a.first
        end
      end

      # Does it sound dull at a place of the skin? { dull: }.
      def tap(clock_deg, z_mm)
        reach = Table["rehearsal"]["tap"]["within_mm"]
        { dull: bodies.any? { |body| away_mm(body, place(clock_deg, z_mm)) <= reach + (body.size_mm.max / 2) } }
      end

      # How far an awl goes in by hand at a place of the skin, mm, by what it comes to. { depth_mm: }.
      def awl(clock_deg, z_mm)
        skin = @skin_mm.call(clock_deg, z_mm)
        deep = Table["rehearsal"]["awl"]["deep_mm"]
        met = bodies.select { |body| under?(body, clock_deg, z_mm, skin, deep) }
        { depth_mm: met.map { |body| depth_in(body) }.max || 0.0 }
      end

      # How deep a feeler goes into what opens on the skin, mm. { depth_mm: }; nil where there is no such opening.
      def feel(id) = find(id)&.then { |found| found.path? ? { depth_mm: found.depth_mm } : nil }

      # Does what a blade is put under move? { moves: }; nil where there is no such thing.
      def pry(id)
        found = find(id) or return
        { moves: found.type == "loose_piece" || (found.type == "bark_inclusion" && !found.mended?) }
      end

      private

      def find(id) = @defects.find { |defect| defect.id == id }

      # What a knock or an awl would find.
      def bodies = @bodies ||= @defects.select { |one| %w[void soft_zone galleries bubble_pocket].include?(one.type) }

      def place(clock_deg, z_mm) = [*ClockAngle.point(clock_deg, @skin_mm.call(clock_deg, z_mm)), z_mm]

      def away_mm(body, (x, y, z))
        bx, by = ClockAngle.point(body.clock_deg, body.radius_mm)
        Math.sqrt(((bx - x)**2) + ((by - y)**2) + ((body.z_mm - z)**2))
      end

      # Does it lie within an awl's reach right under that place?
      def under?(body, clock_deg, z_mm, skin, deep)
        steps = (0..6).map { |step| [skin - (deep * step / 6.0), 0.0].max }
        radii = Numo::DFloat.cast(steps)
        body.hold?(radii.new_fill(clock_deg), radii, radii.new_fill(z_mm)).any?
      end

      # mm by the grade of what is met, in the middle of what that grade is told from.
      def depth_in(body)
        return Table["rehearsal"]["awl"]["deep_mm"].to_f unless body.type == "soft_zone"

        row = Table["tests"]["shows"]["grades"].find { |one| one["grade"] == body.detail[:grade] }
        (row ? row["over_mm"] : 0) + 1.0
      end
    end
  end
end
