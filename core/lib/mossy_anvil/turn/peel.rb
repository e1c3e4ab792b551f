# frozen_string_literal: true

module MossyAnvil
  # A cut that follows the blank's swing at every z, so deep: what an edge meets there, unrolled.
  # On a round blank it lies that deep under the skin; on flats and natural edges it is in the air wherever the wood does not reach out so far.
  class Peel
    ROWS = 40

    attr_reader :depth_mm

    # depth_mm: 0 to the blank's largest radius. Raises InvalidInput at `at`.
    def initialize(blank, depth_mm, at: "/depth_mm")
      @blank = blank.on_centres
      @shape = @blank.shape
      @depth_mm = Peel.checked(depth_mm, @shape.max_radius_mm, at)
    end

    def self.checked(depth_mm, deepest_mm, at)
      return depth_mm.to_f if depth_mm.is_a?(Numeric) && depth_mm.to_f.finite? && depth_mm >= 0 && depth_mm < deepest_mm

      raise InvalidInput, [Fault.new(path: at, problem: "is #{SchemaFault.shown(depth_mm)}", allowed: "0 up to #{deepest_mm.round(1)} mm, the axis")]
    end

    # Plain data. rows: for each z of the cut its radius and the stretches that are not sound wood ([from_deg, to_deg, kind, defect id or nil]);
    # shares of the whole surface by kind, adding up to 1; the row most in the air with its knocks a second at a speed.
    def to_h(rpm)
      { depth_mm: depth_mm, shares: shares, rows: circles.map { |circle| row(circle) }, worst: worst(rpm), reaches_form: reaches_form? }
    end

    private

    def worst(rpm)
      found = circles.select { |circle| circle.air_share.positive? && circle.air_share < 1 }.max_by(&:air_share)
      found && { z_mm: found.z_mm, radius_mm: found.radius_mm, air_share: found.air_share, knocks_per_s: found.knocks_per_s(rpm) }
    end

    def circles
      @circles ||= Array.new(ROWS) do |index|
        z_mm = (index + 0.5) * @shape.length_mm / ROWS
        CuttingCircle.new(@blank, [swing_radii[index] - depth_mm, CuttingCircle::LEAST_MM].max, z_mm)
      end
    end

    # Farthest wood from the axis at every row.
    def swing_radii
      @swing_radii ||= begin
        heights = (Numo::DFloat.new(1, ROWS).seq + 0.5) * (@shape.length_mm / ROWS)
        radii = @shape.radius_mm(Numo::DFloat.new(CuttingCircle::ANGLES, 1).seq * (360.0 / CuttingCircle::ANGLES), heights)
        radii.shape[1] == 1 ? Array.new(ROWS, radii.max) : radii.max(axis: 0).to_a
      end
    end

    # By area: every row counts by its radius.
    def shares
      whole = circles.sum(&:radius_mm)
      circles.each_with_object(Hash.new(0.0)) do |circle, found|
        circle.shares.each { |kind, share| found[kind] += share * circle.radius_mm / whole }
      end
    end

    def row(circle)
      { z_mm: circle.z_mm, radius_mm: circle.radius_mm,
        stretches: circle.stretches.map { |from, to, kind, index| { from_deg: from, to_deg: to, kind: kind, id: index && @blank.defects[index].id } } }
    end

    # Has the cut come down to the form anywhere?
    def reaches_form?
      form = @blank.form or return false
      low, high = form.z_span_mm
      circles.any? { |circle| circle.z_mm.between?(low, high) && circle.radius_mm <= form.outside.radius_mm(circle.z_mm) }
    end
  end
end
