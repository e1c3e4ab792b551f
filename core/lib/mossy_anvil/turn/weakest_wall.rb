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

    # A ring cut open bends where it is sound, and soft wood that opens it is pressed in where it is soft: the worse of the two.
    def at_place(at)
      z_mm = walls.z_mm[at]
      here = @openings.all.select { |opening| near?(z_mm, opening.from_mm, opening.to_mm) }
      soft = weak_at(z_mm, walls.r_mm[at], outside_mm[at])
      by_path, by_body = here.partition { |opening| !opening.bodies }
      [[by_path.any?, soft.map(&:last)], [here.any?, soft.reject { |id, _| by_body.any? { |opening| opening.ids.include?(id) } }.map(&:last)]]
        .map { |opened, shares| taking(at, opened, [*shares, 1.0].min) }.min_by(&:force_n)
    end

    def taking(at, opened, share)
      wall_mm, radius = walls.thickness_mm[at], outside_mm[at]
      force = WallForce.allowed_n(across_mpa * share, radius_mm: radius, wall_mm: wall_mm, height_mm: [@form.wall_depth_mm, radius / 2].min, cracked_through: opened)
      Place.new(force_n: force, z_mm: walls.z_mm[at], wall_mm: wall_mm, radius_mm: radius, local_share: share, opened: opened)
    end

    def outside_mm = @outside_mm ||= @form.outside.radii_mm(walls.z_mm).to_a

    # A place is as wide as one step of the walls.
    def near?(z_mm, low, high) = z_mm.between?(low - step_mm, high + step_mm)
    def step_mm = @form.wall_depth_mm / walls.z_mm.size

    # [id, share of strength] of what weakens the wall there: soft wood or a glue line.
    def weak_at(z_mm, inner_mm, outer_mm)
      weak.select { |_, low, high, near_mm, far_mm, _| near?(z_mm, low, high) && near_mm < outer_mm && far_mm > inner_mm }.map { |one| one.values_at(0, -1) }
    end

    # [id, from z, to z, from radius, to radius, share of strength] of what weakens.
    def weak = @weak ||= @shares.filter_map { |defect, _| defect.path? ? glued(defect) : soft(defect) }

    def soft(body)
      factor = body.strength_factor
      return if factor.zero? || factor >= 1

      half = body.size_mm.map { |extent| extent / 2 }
      [body.id, body.z_mm - half[2], body.z_mm + half[2], body.radius_mm - half[0], body.radius_mm + half[0], factor]
    end

    # A glue line counts where it goes through the wall.
    def glued(path)
      run = path.holds? && @openings.through_run_of(path) or return
      [path.id, run.from_mm, run.to_mm, 0.0, Float::INFINITY, [path.bond_mpa / across_mpa, 1.0].min]
    end
  end
end
