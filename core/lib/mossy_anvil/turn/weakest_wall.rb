# frozen_string_literal: true

module MossyAnvil
  # The place of a finished wall that a side force breaks first. Everything about a place is of that place: its wall, its radius, the weakest wood that a defect
  # leaves there, and whether the ring is cut open there.
  class WeakestWall
    # force_n: it takes from the side; the rest of the place it takes it at. local_share: of the wood's strength; opened: is the ring cut open there?
    Place = Struct.new(:force_n, :z_mm, :wall_mm, :radius_mm, :local_share, :opened, keyword_init: true)

    # shares: [[defect, DefectShare], ...]; openings: WallOpenings.
    def initialize(blank, shares, openings)
      @blank = blank
      @form = blank.form
      @shares = shares
      @openings = openings
    end

    # The Place that takes least.
    def place = @place ||= walls.z_mm.size.times.map { |at| at_place(at) }.min_by(&:force_n)

    private

    def walls = Walls.of(@form, @blank.shape).places
    def across_mpa = @blank.material.strength_across_mpa

    def at_place(at)
      z_mm, wall_mm = walls.z_mm[at], walls.thickness_mm[at]
      radius = outside_mm[at]
      opened = @openings.all.any? { |opening| near?(z_mm, opening.from_mm, opening.to_mm) }
      share = local_share(z_mm, walls.r_mm[at], radius)
      force = WallForce.allowed_n(across_mpa * share, radius_mm: radius, wall_mm: wall_mm, height_mm: [@form.wall_depth_mm, radius / 2].min, cracked_through: opened)
      Place.new(force_n: force, z_mm: z_mm, wall_mm: wall_mm, radius_mm: radius, local_share: share, opened: opened)
    end

    def outside_mm = @outside_mm ||= @form.outside.radii_mm(walls.z_mm).to_a

    # A place is as wide as one step of the walls.
    def near?(z_mm, low, high) = z_mm.between?(low - step_mm, high + step_mm)
    def step_mm = @form.wall_depth_mm / walls.z_mm.size

    # Share of strength of the weakest that lies in the wall there: soft wood or a glue line.
    def local_share(z_mm, inner_mm, outer_mm)
      weak.select { |low, high, near_mm, far_mm, _| near?(z_mm, low, high) && near_mm < outer_mm && far_mm > inner_mm }.map(&:last).push(1.0).min
    end

    # [from z, to z, from radius, to radius, share of strength] of what weakens and does not open.
    def weak = @weak ||= @shares.reject { |_, share| share.removed? }.filter_map { |defect, share| defect.path? ? glued(defect, share) : soft(defect) }

    def soft(body)
      factor = body.strength_factor
      return if factor.zero? || factor >= 1

      half = body.size_mm.map { |extent| extent / 2 }
      [body.z_mm - half[2], body.z_mm + half[2], body.radius_mm - half[0], body.radius_mm + half[0], factor]
    end

    # A glue line counts where it goes through the wall.
    def glued(path, _share)
      run = path.holds? && @openings.through_run_of(path) or return
      [run.from_mm, run.to_mm, 0.0, Float::INFINITY, [path.bond_mpa / across_mpa, 1.0].min]
    end
  end
end
