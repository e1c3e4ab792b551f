# frozen_string_literal: true

module MossyAnvil
  module Turn
    # The place of a finished wall that a side force breaks first. Everything about a place is of that place: its wall,
    # its radius, the weakest wood that a defect leaves there, and whether the ring is cut open there.
    class WeakestWall
      # force_n: it takes from the side; the rest of the place it takes it at. local_share: of the wood's strength;
      # opened: is the ring cut open there?
      Place = Struct.new(:force_n, :z_mm, :wall_mm, :radius_mm, :local_share, :opened, keyword_init: true)
      # What weakens the wall without opening it: id, its span of z and of radius, and the share of strength it leaves.
      Weak = Struct.new(:id, :heights_mm, :radii_mm, :share)

      # shares: [[defect, DefectShare], ...]; openings: WallOpenings.
      def initialize(blank, shares, openings)
        @blank = blank
        @form = blank.form
        @shares = shares
        @openings = openings
      end

      # The Place that takes least. A ring cut open bends where it is sound, and soft wood that opens it is pressed in
      # where it is soft: the worse of the two.
      def place = ways.map { |openings, weak| weakest(openings, weak) }.min_by(&:force_n)

      # N that the wall takes anywhere between two heights, mm; nil where there is no wall.
      def least_n(from_mm, to_mm)
        there = within(from_mm, to_mm).where
        return if there.empty?

        ways.map { |openings, weak| forces(openings, weak)[0][there].min }.min
      end

      # mm of wall anywhere between two heights; nil where there is none.
      def least_wall_mm(from_mm, to_mm)
        there = within(from_mm, to_mm).where
        there.empty? ? nil : walls.thickness_mm[there].min
      end

      private

      # [[openings, what weakens besides], ...] that are looked at.
      def ways
        @ways ||=
          begin
            by_body, by_path = @openings.all.partition(&:bodies)
            themselves = by_body.flat_map(&:ids)
            beside = weak.reject { |one| themselves.include?(one.id) }
            by_body.empty? ? [[by_path, weak]] : [[by_path, weak], [@openings.all, beside]]
          end
      end

      # Places along the wall: z, inner and outer radius, thickness, mm, arrays of one size.
      def walls = @walls ||= Model::WallThickness.of(@form, @blank.shape).places
      def outside_mm = @outside_mm ||= @form.outside.radii_mm(walls.z_mm)

      # N at each place, and the bits and shares they come of.
      def forces(openings, weak)
        opened, shares = opened_bits(openings), shares_left(weak)
        whole =
          Solid::WallForce.allowed_along(
            @blank.material.strength_across_mpa,
            radii_mm: outside_mm,
            walls_mm: walls.thickness_mm,
            depth_mm: @form.wall_depth_mm
          ) * shares
        [
          whole * ((opened * (Solid::WallForce::WHOLE / Solid::WallForce::CRACKED_THROUGH)) + ((opened * -1) + 1)),
          opened,
          shares
        ]
      end

      def weakest(openings, weak)
        forces, opened, shares = forces(openings, weak)
        forces.min_index.then do |at|
          Place.new(
            force_n: forces[at],
            z_mm: walls.z_mm[at],
            wall_mm: walls.thickness_mm[at],
            radius_mm: outside_mm[at],
            local_share: shares[at],
            opened: opened[at].positive?
          )
        end
      end

      # A place is as wide as one step of the walls.
      def within(low, high) = walls.z_mm.ge(low - step_mm) & walls.z_mm.le(high + step_mm)
      def step_mm = @form.wall_depth_mm / walls.z_mm.size
      def none = Numo::DFloat.zeros(walls.z_mm.size)

      # 1 where the ring is cut open.
      def opened_bits(openings) =
        openings.inject(none) do |bits, one|
          Numo::DFloat.maximum(bits, Numo::DFloat.cast(within(one.from_mm, one.to_mm)))
        end

      # Share of strength of the weakest at each place.
      def shares_left(weak)
        weak.inject(none + 1) do |left, one|
          there = within(*one.heights_mm) & outside_mm.gt(one.radii_mm[0]) & walls.r_mm.lt(one.radii_mm[1])
          Numo::DFloat.minimum(left, (Numo::DFloat.cast(there) * (one.share - 1)) + 1)
        end
      end

      def weak = @weak ||= @shares.filter_map { |defect, _| defect.path? ? glued(defect) : soft(defect) }

      def soft(body)
        factor = body.strength_factor
        return if factor.zero? || factor >= 1

        half = body.size_mm.map { |extent| extent / 2 }
        Weak.new(
          body.id,
          [body.z_mm - half[2], body.z_mm + half[2]],
          [body.radius_mm - half[0], body.radius_mm + half[0]],
          factor
        )
      end

      # A glue line counts where it goes through the wall.
      def glued(path)
        run = path.holds? && @openings.through_run_of(path) or return
        Weak.new(
          path.id,
          [run.from_mm, run.to_mm],
          [0.0, Float::INFINITY],
          [path.bond_mpa / @blank.material.strength_across_mpa, 1.0].min
        )
      end
    end
  end
end
