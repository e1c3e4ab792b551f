# frozen_string_literal: true

module MossyAnvil
  # A defect that runs along a path on a surface and goes in from it: a crack or a bark inclusion.
  class PathDefect
    Sample = Struct.new(:clock_deg, :radius_mm, :z_mm, :length_mm, keyword_init: true)
    SAMPLES = 96

    attr_reader :id, :type, :enters, :path, :depth_mm, :width_mm, :mend

    # path: [{ clock_deg:, z_mm:, r_mm: (faces only) }]; mend: nil or "none" where it is open.
    def initialize(id:, type:, enters:, path:, depth_mm:, width_mm:, through: false, mend: nil)
      @id = id
      @type = type
      @enters = enters
      @path = path.map(&:freeze).freeze
      @depth_mm = depth_mm.to_f
      @width_mm = width_mm.to_f
      @through = through
      @mend = mend || "none"
      freeze
    end

    def path? = true
    def side? = enters == "side"
    def through? = @through
    def mended? = mend != "none"
    def crack? = type == "crack"
    def open? = crack? && !mended?
    def fragile? = open?

    # The path cut into about `count` even pieces, each with its place and the length (mm) it stands for.
    # On the side the angle turns evenly the short way; on a face the path is straight.
    def samples(shape, count: SAMPLES)
      lengths = legs.map { |from, to| leg_length(from, to, shape) }
      total = lengths.sum
      cuts = legs.zip(lengths).flat_map do |(from, to), length|
        pieces = total.zero? ? 1 : [(count * length / total).round, 1].max
        Array.new(pieces) { |step| [from, to, (step + 0.5) / pieces, length / pieces] }
      end
      side? ? on_side(cuts, shape) : on_face(cuts, shape)
    end

    # mm along the surface.
    def run_mm(shape)
      legs.sum { |from, to| leg_length(from, to, shape) }
    end

    # Lowest and highest z the path reaches, mm.
    def z_span_mm = path.map { |point| point[:z_mm].to_f }.minmax

    # How deep it reaches when followed to the end: to the axis, or to the other face.
    def through_depth_mm(shape)
      side? ? shape.max_radius_mm : shape.length_mm
    end

    private

    def legs = path.each_cons(2).to_a

    # cuts: [from, to, share of the leg, length] each.
    def on_side(cuts, shape)
      places = cuts.map do |from, to, share, _|
        [Clock.fold(from[:clock_deg] + (Clock.turn(from[:clock_deg], to[:clock_deg]) * share)), (from[:z_mm] + ((to[:z_mm] - from[:z_mm]) * share)).to_f]
      end
      table = Numo::DFloat.cast(places)
      radii = shape.radius_mm(table[true, 0], table[true, 1])
      cuts.each_index.map do |index|
        Sample.new(clock_deg: places[index][0], radius_mm: radii[index], z_mm: places[index][1], length_mm: cuts[index][3])
      end
    end

    def on_face(cuts, shape)
      cuts.map do |from, to, share, length_mm|
        (x1, y1), (x2, y2) = flat(from), flat(to)
        x_mm, y_mm = x1 + ((x2 - x1) * share), y1 + ((y2 - y1) * share)
        Sample.new(clock_deg: Clock.of_point(x_mm, y_mm), radius_mm: Math.hypot(x_mm, y_mm), z_mm: face_z_mm(shape), length_mm: length_mm)
      end
    end

    def leg_length(from, to, shape)
      unless side?
        (x1, y1), (x2, y2) = flat(from), flat(to)
        return Math.hypot(x2 - x1, y2 - y1)
      end

      middle = surface_mm(from[:clock_deg] + (Clock.turn(from[:clock_deg], to[:clock_deg]) / 2), (from[:z_mm] + to[:z_mm]) / 2.0, shape)
      arc = Clock.turn(from[:clock_deg], to[:clock_deg]) * Clock::RADIANS * middle
      Math.hypot(arc, to[:z_mm] - from[:z_mm])
    end

    def flat(point) = Clock.point(point[:clock_deg], point[:r_mm].to_f)
    def face_z_mm(shape) = enters == "head_face" ? 0.0 : shape.length_mm

    def surface_mm(clock_deg, z_mm, shape)
      shape.radius_mm(Numo::DFloat[clock_deg], Numo::DFloat[z_mm])[0]
    end
  end
end
