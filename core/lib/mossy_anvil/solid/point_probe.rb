# frozen_string_literal: true

module MossyAnvil
  module Solid
    # What lies at a place in a blank: nothing, sound stock, or one of its defects.
    # Where several meet the order is the FieldRasterizer's: an opening, then what is hard or cast, then the lowest
    # strength; the survey's order does not matter.
    class PointProbe
      SOUND = -1
      AIR = -2

      # narrowest_mm: a crack or bark seam is met at least this wide, so that a hair crack does not fall between two
      # places.
      def initialize(blank, narrowest_mm: 0.0)
        @shape = blank.shape
        @defects = blank.defects
        @wood_kg_m3 = blank.material.density_kg_m3
        @narrowest_mm = narrowest_mm
      end

      # Who has each place: the defect's index in the survey, or SOUND, or AIR. Arrays of one shape: clock degrees, mm,
      # mm.
      def owners(clock_deg, radius_mm, z_mm)
        found = Numo::Int32.new(*radius_mm.shape).fill(SOUND)
        spans = [radius_mm.minmax, z_mm.minmax]
        at = [clock_deg, radius_mm, z_mm]
        in_order.each { |defect, index| claim(found, index, defect, at, spans[0][0]) if near?(defect, *spans) }
        found[radius_mm.gt(@shape.radius_mm(clock_deg, z_mm)) | z_mm.lt(0) | z_mm.gt(@shape.length_mm)] = AIR
        found
      end

      # What a turner calls it: "sound", "air", or the kind of trouble; soft wood that has been hardened is firm.
      def kind(owner)
        return owner == SOUND ? "sound" : "air" if owner.negative?

        defect = @defects[owner]
        case defect.type
        when "void"
          defect.detail[:contents]
        when "soft_zone"
          defect.soaked? ? "firm" : defect.detail[:grade]
        when "hard_inclusion"
          defect.detail[:of]
        when "crack", "delamination"
          defect.mended? ? "glue line" : "crack"
        else
          {
            "galleries" => "galleries",
            "bubble_pocket" => "bubbles",
            "bark_inclusion" => "bark",
            "loose_piece" => "loose",
            "resin_body" => "resin"
          }.fetch(defect.type)
        end
      end

      private

      # Gives a defect the places it holds.
      def claim(found, index, defect, at, least_radius_mm)
        places = facing(defect, at[0], least_radius_mm)
        at = at.map { |array| array[places] } if places
        held = defect.path? ? in_seam(defect, *at) : defect.hold?(*at)
        found[places ? places[held.where] : held] = index if held.any?
      end

      def narrow?(defect, least_radius_mm) =
        defect.path? && defect.side? && defect.width_mm + @narrowest_mm < least_radius_mm / 4

      # Indices of the places whose hour a path on the side can reach; nil where all must be looked at. An hour's margin
      # costs little.
      def facing(defect, clock_deg, least_radius_mm)
        return unless narrow?(defect, least_radius_mm)

        hours = defect.path.map { |point| point[:clock_deg] }
        least, most = hours.map { |hour| ClockAngle.turn(hours.first, hour) }.minmax
        middle = hours.first + ((least + most) / 2.0)
        half = ((most - least) / 2.0) + 30
        half < 150 ? ClockAngle.short_turns(clock_deg - middle).abs.le(half).where : nil
      end

      # Can it lie anywhere in these spans of radius and z? [least, most] each.
      def near?(defect, radii_mm, heights_mm)
        return near_path?(defect, radii_mm, heights_mm) if defect.path?

        meets?(heights_mm, defect.z_mm, defect.size_mm[2] / 2) &&
          meets?(radii_mm, defect.radius_mm, defect.size_mm.first(2).max / 2)
      end

      def near_side?(path, radii_mm, heights_mm, reach)
        too_deep = !path.through? && radii_mm[1] < @shape.min_radius_mm - path.depth_mm - reach
        low, high = path.z_span_mm
        !too_deep && heights_mm[1] >= low - reach && heights_mm[0] <= high + reach
      end

      def near_path?(path, radii_mm, heights_mm)
        return near_side?(path, radii_mm, heights_mm, path.width_mm + @narrowest_mm) if path.side?

        deepest = (path.through? ? @shape.length_mm : path.depth_mm) + @narrowest_mm
        path.enters == "head_face" ? heights_mm[0] <= deepest : heights_mm[1] >= @shape.length_mm - deepest
      end

      def meets?(span, middle, half) = span[1] >= middle - half && span[0] <= middle + half

      # Later in the order lies over earlier; a crack parts whatever it runs through.
      def in_order
        @in_order ||=
          @defects.each_with_index.sort_by do |defect, index|
            [
              defect.path? ? path_rank(defect) : FieldRasterizer::RANKS.fetch(defect.rank) * 2,
              defect.path? ? 0 : -defect.strength_factor,
              index
            ]
          end
      end

      def path_rank(defect) = defect.crack? ? 3 : 1

      def in_seam(path, clock_deg, radius_mm, z_mm)
        seam = Model::CrackSheet.of(path, @shape)
        depth, apart, deepest = seam.measures(clock_deg, radius_mm, z_mm)
        # A wedge: its full mouth at the surface, nothing at the tip.
        open_share = path.through? || !path.crack? ? 1.0 : (1 - (depth / deepest)).clip(0, 1)
        half_mm =
          Numo::DFloat.maximum(Numo::DFloat.cast((depth * 0) + (open_share * (path.width_mm / 2))), @narrowest_mm / 2)
        apart.le(half_mm) & depth.le(deepest) & depth.ge(-@narrowest_mm)
      end
    end
  end
end
