# frozen_string_literal: true

module MossyAnvil
  module Turn
    # Share of the wood's toughness that is left where a crack runs: that of the weakest body it runs through, from
    # mouth to tip. A deeper crack never does better for ending in sounder wood. Bodies without strength of their own
    # leave Section::LIVE_SHARE; resin is taken to be as tough as the wood.
    class CrackToughness
      # By path, body and shape.
      MET = Cache.new(3000)

      def initialize(blank)
        @shape = blank.shape
        @bodies =
          blank.defects.reject do |defect|
            defect.path? || defect.own_strength_mpa.positive? || defect.strength_factor >= 1
          end
        @shares = {}.compare_by_identity
      end

      # 0 to 1, for a path; but: ids of bodies that do not count.
      def share(path, but: [])
        return @shares[path] ||= weakest(path, []) if but.empty?

        weakest(path, but)
      end

      private

      def weakest(path, but)
        return 1.0 if @bodies.empty?

        seam = Model::CrackSheet.of(path, @shape)
        met =
          near(seam)
            .reject { |body| but.include?(body.id) }
            .map { |body| MET.of([path, body, @shape]) { body.hold?(*seam.places).any? ? body.strength_factor : 1.0 } }
        [*met, 1.0].min.clamp(Section::LIVE_SHARE, 1)
      end

      # Those of which the box meets the path's.
      def near(seam)
        low, high = seam.bounds_mm.transpose.map { |bound| Numo::DFloat.cast(bound).reshape(1, 3) }
        middles, halves = boxes
        meets = (middles + halves).ge(low) & (middles - halves).le(high)
        meets.count_true(axis: 1).eq(3).where.to_a.map { |at| @bodies[at] }
      end

      # Middles and half extents of the bodies' boxes in x, y and z: bodies x 3.
      def boxes
        @boxes ||=
          [
            @bodies.map { |body| [*ClockAngle.point(body.clock_deg, body.radius_mm), body.z_mm] },
            @bodies.map do |body|
              body.size_mm.first(2).max.then { |across| [across / 2, across / 2, body.size_mm[2] / 2] }
            end
          ].map { |rows| Numo::DFloat.cast(rows) }
      end
    end
  end
end
