# frozen_string_literal: true

module MossyAnvil
  module Turn
    # One end of the wood where a mount can take hold: how large a flat there is, how strong it is, and what runs
    # through it.
    class MountSite
      AROUND = 24
      # Wood that is left with no more of its strength is not gripped.
      SOFT_SHARE = 0.3

      # z_mm: of the seat; inward: +1 or -1, the way the wood lies from there along z.
      attr_reader :z_mm, :inward

      def initialize(solid, z_mm, inward)
        @solid = solid
        @shape = solid.blank.shape
        @z_mm = z_mm
        @inward = inward
      end

      # Largest circle all along so many mm from the seat inward.
      def round_mm(depth_mm = 1.0)
        heights = Numo::DFloat.new(1, 5).seq / 4 * depth_mm * inward + z_mm
        2 * @shape.radius_mm(Numo::DFloat.new(96, 1).seq * (360.0 / 96), heights.clip(0, @shape.length_mm)).min
      end

      # Share of the wood's strength on circles about the axis, the mean over so many mm inward; 1 is sound. Cracks
      # apart.
      def strength_share(radii_mm, depth_mm)
        shares(radii_mm, depth_mm).mean
      end

      # The same at each of so many places evenly round a circle, from a clock angle on.
      def shares_round(count, radius_mm, depth_mm, from_deg: 0.0)
        Array.new(count) do |index|
          shares([radius_mm], depth_mm, [ClockAngle.fold(from_deg + (index * 360.0 / count))]).mean
        end
      end

      # Ids of open cracks, seams and pockets within a circle, over so many mm inward.
      def runs_through(radius_mm, depth_mm)
        from, to = [z_mm, z_mm + (depth_mm * inward)].minmax
        @solid
          .shares
          .select { |defect, share| splits?(defect) && share.in_cylinder?(radius_mm, from, to) }
          .map { |defect, _| defect.id }
      end

      # Ids of every defect that a screw or point would go into or next to: all but what is cast solid, glued up, or
      # firm enough to be counted by its strength.
      # At a place about the axis, so many mm wide in radius and deep from the seat.
      def struck(clock_deg, at_mm, radius_mm, depth_mm)
        depths = (Numo::DFloat.new(DEPTHS).seq / (DEPTHS - 1) * depth_mm * inward) + z_mm
        line = [depths * 0 + clock_deg, depths * 0 + at_mm, depths.clip(0, @shape.length_mm)]
        round = ring(clock_deg, at_mm, radius_mm, depths)
        @solid
          .blank
          .defects
          .select do |defect|
            defect.path? ? cut_by?(defect, line, radius_mm) : yields?(defect) && holds_any?(defect, round)
          end
          .map(&:id)
      end

      private

      DEPTHS = 9
      private_constant :DEPTHS

      def yields?(body) = body.type == "soft_zone" ? body.strength_factor <= SOFT_SHARE : body.type != "resin_body"

      # Places on the axis of a hole and all round its wall, [clock_deg, radius_mm, z_mm].
      def ring(clock_deg, at_mm, radius_mm, depths)
        places = round(ClockAngle.point(clock_deg, at_mm), radius_mm)
        clock, radius =
          places
            .map { |x, y| [ClockAngle.of_point(x, y), Math.hypot(x, y)] }
            .transpose
            .map { |values| Numo::DFloat.cast(values).reshape(values.size, 1) }
        spread = Numo::DFloat.zeros(places.size, depths.size)
        [clock + spread, radius + spread, depths.reshape(1, depths.size) + spread]
      end

      # [x, y] of a point and of those round it.
      def round((x0, y0), radius_mm)
        around = Array.new(AROUND) { |step| ClockAngle.point(step * 360.0 / AROUND, radius_mm) }
        [[0.0, 0.0], *around].map { |x, y| [x0 + x, y0 + y] }
      end

      def holds_any?(body, places) = body.hold?(*places).any?

      def cut_by?(path, line, radius_mm)
        path.parts? && Model::CrackSheet.of(path, @shape).distances_mm(*line).min <= radius_mm + (path.width_mm / 2)
      end

      # What forbids a grip there: it splits, or is too soft to be gripped.
      def splits?(defect)
        return defect.parts? if defect.path?

        defect.open? || defect.type == "loose_piece" || %w[stone metal].include?(defect.detail_of(:of)) ||
          (defect.type == "soft_zone" && defect.strength_factor <= SOFT_SHARE)
      end

      def shares(radii_mm, depth_mm, clocks = Array.new(AROUND) { |step| step * 360.0 / AROUND })
        depths = [0.1, 0.5, 0.9].map { |share| (z_mm + (share * depth_mm * inward)).clamp(0, @shape.length_mm) }
        places = clocks.product(radii_mm, depths).transpose.map { |line| Numo::DFloat.cast(line) }
        @solid.local_strength(*places)
      end
    end
  end
end
