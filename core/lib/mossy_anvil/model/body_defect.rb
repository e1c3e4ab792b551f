# frozen_string_literal: true

module MossyAnvil
  module Model
    # A defect that fills an ellipsoid: void, soft zone, galleries, loose piece, hard inclusion, resin body.
    class BodyDefect
      attr_reader :id, :type, :clock_deg, :radius_mm, :z_mm, :size_mm, :detail

      # size_mm: full extents [radial, tangential, axial]. detail: what the type adds (grade, contents ...).
      def initialize(id:, type:, centre:, size_mm:, detail:)
        @id = id
        @type = type
        @clock_deg = ClockAngle.fold(centre[:clock_deg])
        @radius_mm = centre[:r_mm].to_f
        @z_mm = centre[:z_mm].to_f
        @size_mm = size_mm.map(&:to_f).freeze
        @detail = detail.freeze
        freeze
      end

      # The same with another size, or other values of what its type adds.
      def with(size_mm: self.size_mm, detail: {})
        BodyDefect.new(
          id: id,
          type: type,
          centre: {
            clock_deg: clock_deg,
            r_mm: radius_mm,
            z_mm: z_mm
          },
          size_mm: size_mm,
          detail: self.detail.merge(detail)
        )
      end

      # The same at another place, its own directions turned by so much against that place's.
      # Extents there are those of the turned ellipsoid along the place's radial and tangential, brought to the same
      # volume.
      def at(clock_deg:, r_mm:, z_mm:, turned_deg:)
        cosine, sine = Math.cos(turned_deg * ClockAngle::RADIANS), Math.sin(turned_deg * ClockAngle::RADIANS)
        radial, tangential, axial = size_mm
        across = Math.hypot(radial * cosine, tangential * sine)
        around = Math.hypot(radial * sine, tangential * cosine)
        keep = Math.sqrt(radial * tangential / (across * around))
        BodyDefect.new(
          id: id,
          type: type,
          centre: {
            clock_deg: clock_deg,
            r_mm: r_mm,
            z_mm: z_mm
          },
          size_mm: [across * keep, around * keep, axial],
          detail: detail
        )
      end

      # How wide what takes a filler is, mm: one hole or bubble of many, or its narrowest way.
      def mouth_mm = detail[:hole_diameter_mm] || detail[:bubble_diameter_mm] || size_mm.min

      # Are they many small holes or bubbles, each to be filled alike?
      def many_holes? = holed?

      # What its type adds by that name, or nil.
      def detail_of(name) = detail[name]

      # What the turner means to do about it, or nil.
      def chosen = detail[:chosen]

      # Shown by tests, not surveyed?
      def by_test? = detail[:by_test] || false

      # As a blank file has it, symbol-keyed.
      def to_document
        {
          id: id,
          type: type,
          centre: {
            clock_deg: clock_deg,
            r_mm: radius_mm,
            z_mm: z_mm
          },
          size_mm: size_mm,
          **detail.except(:by_test)
        }
      end

      def path? = false
      def crack? = false
      def mended? = false

      # mm3 of the whole ellipsoid, inside the wood or not.
      def volume_mm3
        Math::PI / 6 * size_mm.inject(:*)
      end

      # mm3 of the box round it.
      def box_mm3 = size_mm.inject(:*)

      # Which places lie in it: a bit for each of three arrays of one shape (degrees, mm, mm).
      def hold?(clock_deg, radius_mm, z_mm)
        turn = (clock_deg - @clock_deg) * ClockAngle::RADIANS
        half = size_mm.map { |extent| extent / 2 }
        radial = ((radius_mm * Numo::DFloat::Math.cos(turn)) - @radius_mm) / half[0]
        tangential = (radius_mm * Numo::DFloat::Math.sin(turn)) / half[1]
        axial = (z_mm - @z_mm) / half[2]
        ((radial * radial) + (tangential * tangential) + (axial * axial)).le(1)
      end

      # :void, :hard or :lowered - who wins where several meet.
      def rank
        holed? ? :lowered : row["rank"].to_sym
      end

      # kg/m3 in the middle of it, given the wood's own density; with the resin it is soaked with.
      def density_kg_m3(wood_kg_m3)
        return detail[:density_kg_m3].to_f if type == "resin_body"

        own = unsoaked_kg_m3(wood_kg_m3)
        own + (soaked_share * [1 - (own / soaked_row["cell_wall_kg_m3"]), 0].max * soaked_row["resin_kg_m3"])
      end

      def unsoaked_kg_m3(wood_kg_m3)
        return wood_kg_m3 * (1 - hole_share) if holed?

        density = row["density"]
        density["kg_m3"]&.to_f || (wood_kg_m3 * density["factor"])
      end

      # Share of the room in it that resin has filled; 0 where nothing was drawn in.
      def soaked_share = detail[:soaked_share] || 0.0
      def soaked? = soaked_share.positive? && soaked_share >= soaked_row["share"].first

      # Share of the wood's own strength left, 0 to 1. A resin body has none of the wood's; see #own_strength_mpa.
      def strength_factor
        own =
          case type
          when "galleries", "bubble_pocket"
            [1 - (2 * hole_share), 0.1].max
          when "resin_body"
            0.0
          else
            row["strength"]
          end
        [own, soaked_strength].max
      end

      # MPa it brings of its own, whatever the wood.
      def own_strength_mpa
        type == "resin_body" ? row["strength_mpa"].to_f : 0.0
      end

      # Does it leave an opening to fill?
      def open? = %w[void galleries bubble_pocket].include?(type) && !soaked?

      # Share of the ellipsoid that is open.
      def open_share
        case type
        when "void"
          1.0
        when "galleries", "bubble_pocket"
          soaked? ? 0.0 : hole_share
        else
          0.0
        end
      end

      # Does it make the piece fragile where it remains?
      def fragile?
        type == "loose_piece" || (type == "soft_zone" && detail[:grade] == "spongy" && !soaked?)
      end

      # Share taken by many small openings: insect holes by the section (pi/4 d2 times count), bubbles by the volume
      # (pi/6 d3 times count).
      def hole_share
        if type == "bubble_pocket"
          return [Math::PI / 6 * (detail[:bubble_diameter_mm]**3) * detail[:bubbles_per_cm3] / 1000.0, 0.95].min
        end

        [Math::PI / 4 * (detail[:hole_diameter_mm]**2) * detail[:holes_per_cm2] / 100.0, 0.95].min
      end

      private

      def soaked_row = Table["local_factors"]["soaked"]

      # Share of sound wood's strength that soaking brings back; 0 under the share from which it counts.
      def soaked_strength
        return 0.0 unless soaked?

        (least, most), (weak, strong) = soaked_row.values_at("share", "strength")
        weak + ((strong - weak) * ((soaked_share - least) / (most - least)).clamp(0, 1))
      end

      def holed? = %w[galleries bubble_pocket].include?(type)

      def row
        kind =
          detail[:grade] || detail[:contents] || detail[:of] ||
            { "loose_piece" => "held", "resin_body" => "cured" }[type]
        Table["local_factors"].fetch(type).fetch(kind)
      end
    end
  end
end
