# frozen_string_literal: true

module MossyAnvil
  # One end of the wood where a mount can take hold: how large a flat there is, how strong it is, and what runs through it.
  class MountSite
    AROUND = 24

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

    # Share of the wood's strength on circles about the axis, the mean over so many mm inward; 1 is sound. Cracks apart.
    def strength_share(radii_mm, depth_mm)
      shares(radii_mm, depth_mm).mean
    end

    # The same at each of so many places evenly round a circle, from 12 o'clock.
    def shares_round(count, radius_mm, depth_mm)
      Array.new(count) { |index| shares([radius_mm], depth_mm, [index * 360.0 / count]).mean }
    end

    # Ids of open cracks, seams and pockets within a circle, over so many mm inward.
    def runs_through(radius_mm, depth_mm)
      from, to = [z_mm, z_mm + (depth_mm * inward)].minmax
      @solid.shares.select { |defect, share| splits?(defect) && share.in_cylinder?(radius_mm, from, to) }.map { |defect, _| defect.id }
    end

    private

    def splits?(defect) = (defect.path? && !defect.holds?) || defect.open? || defect.type == "loose_piece"

    def shares(radii_mm, depth_mm, clocks = Array.new(AROUND) { |step| step * 360.0 / AROUND })
      depths = [0.1, 0.5, 0.9].map { |share| (z_mm + (share * depth_mm * inward)).clamp(0, @shape.length_mm) }
      places = clocks.product(radii_mm, depths).transpose.map { |line| Numo::DFloat.cast(line) }
      @solid.local_strength(*places)
    end
  end
end
