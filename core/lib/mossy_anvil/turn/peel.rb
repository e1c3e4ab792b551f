# frozen_string_literal: true

module MossyAnvil
  module Turn
    # A cut seen before it is made, unrolled: what an edge meets there. Either so deep under the blank's swing at every
    # z, or the surface of a stage of turning.
    # On a round blank the first lies that deep under the skin; on flats and natural edges it is in the air wherever the
    # wood does not reach out so far.
    class Peel
      ROWS = 40
      STAGES = %w[rounded outside hollowed].freeze
      # A stage's surface is looked at so far within the wood that it leaves.
      WITHIN_MM = 0.05

      # The surface itself: the lowest and highest z it has (mm), and its radius at each z (an array of mm for an array
      # of mm).
      Surface = Struct.new(:low_mm, :high_mm, :radii_mm)

      attr_reader :depth_mm, :stage

      # One of depth_mm, 0 up to the blank's largest radius, and stage, one of STAGES that this blank goes through.
      # Raises InvalidInput at `at` and the name of either.
      def initialize(blank, depth_mm: nil, stage: nil, at: "")
        @blank = blank.on_centres
        @shape = @blank.shape
        @stage = stage && Peel.known(stage, Solid::Stage.names_for(@blank), at)
        @depth_mm = stage ? nil : Peel.checked(depth_mm, @shape.max_radius_mm, "#{at}/depth_mm")
        @surface = surface
      end

      def self.checked(depth_mm, deepest_mm, at)
        if depth_mm.is_a?(Numeric) && depth_mm.to_f.finite? && depth_mm >= 0 && depth_mm < deepest_mm
          return depth_mm.to_f
        end

        raise InvalidInput.at(
                at,
                Fault.t("is", given: Fault.shown(depth_mm)),
                Fault.t("up_to_mm_the_axis", deepest_mm: deepest_mm.round(1))
              )
      end

      def self.known(stage, reached, at)
        there = STAGES & reached.map(&:to_s)
        return stage if there.include?(stage)

        allowed = there.empty? ? Fault.t("a_form_first_without_one_it_goes") : nil
        allowed ||= Fault.t("one_of_the_stages_this_piece_goes", stages: there.join(", "))
        raise InvalidInput.at("#{at}/stage", Fault.t("is", given: Fault.shown(stage)), allowed)
      end

      # Plain data. rows: for each z of the cut its radius and the stretches that are not sound wood ([from_deg, to_deg,
      # kind, defect id or nil]);
      # shares of the whole surface by kind, adding up to 1; the row most in the air with its knocks a second at a
      # speed.
      def to_h(rpm)
        {
          depth_mm: depth_mm,
          stage: stage,
          shares: shares,
          rows: circles.map { |circle| row(circle) },
          worst: worst(rpm),
          reaches_form: reaches_form?
        }
      end

      private

      def worst(rpm)
        found = circles.select { |circle| circle.air_share.positive? && circle.air_share < 1 }.max_by(&:air_share)
        found &&
          {
            z_mm: found.z_mm,
            radius_mm: found.radius_mm,
            air_share: found.air_share,
            knocks_per_s: found.knocks_per_s(rpm)
          }
      end

      def circles
        @circles ||=
          begin
            heights =
              (Numo::DFloat.new(ROWS).seq + 0.5) * ((@surface.high_mm - @surface.low_mm) / ROWS) + @surface.low_mm
            heights
              .to_a
              .zip(@surface.radii_mm.call(heights).to_a)
              .map { |z_mm, radius_mm| CuttingCircle.new(@blank, [radius_mm, CuttingCircle::LEAST_MM].max, z_mm) }
          end
      end

      def surface
        case stage
        when nil
          Surface.new(0.0, @shape.length_mm, ->(heights) { swing_radii(heights) - depth_mm })
        when "rounded"
          Surface.new(
            0.0,
            @shape.length_mm,
            ->(heights) { (heights * 0) + Solid::Stage.round_radius_mm(@blank) - WITHIN_MM }
          )
        when "outside"
          of_profile(@blank.form.outside, -WITHIN_MM)
        else
          of_profile(@blank.form.inside, WITHIN_MM)
        end
      end

      def of_profile(profile, beyond_mm) =
        Surface.new(profile.first_z_mm, profile.last_z_mm, ->(heights) { profile.radii_mm(heights) + beyond_mm })

      # Farthest wood from the axis at every height.
      def swing_radii(heights)
        turns = Numo::DFloat.new(CuttingCircle::ANGLES, 1).seq * (360.0 / CuttingCircle::ANGLES)
        (
          @shape.radius_mm(turns, heights.reshape(1, heights.size)) +
            Numo::DFloat.zeros(CuttingCircle::ANGLES, heights.size)
        ).max(axis: 0)
      end

      # By area: every row counts by its radius.
      def shares
        whole = circles.sum(&:radius_mm)
        circles.each_with_object(Hash.new(0.0)) do |circle, found|
          circle.shares.each { |kind, share| found[kind] += share * circle.radius_mm / whole }
        end
      end

      def row(circle)
        {
          z_mm: circle.z_mm,
          radius_mm: circle.radius_mm,
          stretches:
            circle.stretches.map do |from, to, kind, index|
              { from_deg: from, to_deg: to, kind: kind, id: index && @blank.defects[index].id }
            end
        }
      end

      def of_form? = %w[outside hollowed].include?(stage)

      # Has the cut come down to the form anywhere?
      def reaches_form?
        return true if of_form?

        form = @blank.form or return false
        low, high = form.z_span_mm
        circles.any? do |circle|
          circle.z_mm.between?(low, high) && circle.radius_mm <= form.outside.radius_mm(circle.z_mm)
        end
      end
    end
  end
end
