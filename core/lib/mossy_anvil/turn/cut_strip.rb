# frozen_string_literal: true

module MossyAnvil
  module Turn
    # The whole cut from the skin to the form, seen before it is made: at every depth of it and every height, what an
    # edge meets in one turn.
    # At depth share s the edge is at the swing less s times what lies between that and the form.
    class CutStrip
      DEPTHS, HEIGHTS, ANGLES = 20, 24, 240
      # What is met is spoken of from this much of a turn.
      LEAST_SHARE = 0.02
      INSIDE_MM = 0.05

      # blank: as surveyed, with a form. Raises InvalidInput under `at`.
      def initialize(blank, at: "")
        raise InvalidInput.at("#{at}/form", Fault.t("is_missing"), Fault.t("a_form_to_cut_down_to")) unless blank.form

        @blank = blank.on_centres
        @form = @blank.form
        low, high = @form.z_span_mm
        @z_mm = (Numo::DFloat.new(HEIGHTS).seq + 0.5) / HEIGHTS * (high - low) + low
        # A crack is met as wide as one step at least.
        @contents = Solid::PointProbe.new(@blank, narrowest_mm: 2 * Math::PI * @form.outside.largest_mm / ANGLES)
      end

      # Plain data. belts[depth][height]: the kind of trouble that takes most of the turn there, with its share; nil
      # where it is sound. depths: share of all that is cut by kind, and the height that is most in the air, with its
      # knocks at a speed. worst: the depth with most trouble, nil where there is none.
      def to_h(rpm)
        depths = (0...DEPTHS).map { |depth| level(depth, rpm) }
        worst = depths.max_by { |one| one[:trouble_share] }
        {
          z_mm: @z_mm.to_a,
          belts: (0...DEPTHS).map { |depth| (0...HEIGHTS).map { |height| belt(depth, height) } },
          depths: depths,
          worst: worst[:trouble_share] > LEAST_SHARE ? worst[:share] : nil
        }
      end

      private

      # Radius of the edge: depths x heights.
      def radii
        @radii ||=
          begin
            turns = Numo::DFloat.new(ANGLES, 1).seq * (360.0 / ANGLES)
            swing =
              (@blank.shape.radius_mm(turns, @z_mm.reshape(1, HEIGHTS)) + Numo::DFloat.zeros(ANGLES, HEIGHTS)).max(
                axis: 0
              )
            form = Numo::DFloat.minimum(@form.outside.radii_mm(@z_mm), swing)
            Numo::DFloat.maximum(
              swing - ((swing - form).reshape(1, HEIGHTS) * shares.reshape(DEPTHS, 1)) - INSIDE_MM,
              CuttingCircle::LEAST_MM
            )
          end
      end

      def shares = Numo::DFloat.new(DEPTHS).seq / (DEPTHS - 1)

      # Kind met at each place: depths x heights lists of one turn.
      def kinds
        @kinds ||=
          begin
            none = Numo::DFloat.zeros(DEPTHS, HEIGHTS, ANGLES)
            clock = (Numo::DFloat.new(1, 1, ANGLES).seq * (360.0 / ANGLES)) + none
            owners =
              @contents.owners(
                clock.flatten,
                (radii.reshape(DEPTHS, HEIGHTS, 1) + none).flatten,
                (@z_mm.reshape(1, HEIGHTS, 1) + none).flatten
              )
            names = {}
            owners
              .to_a
              .map { |owner| names[owner] ||= @contents.kind(owner) }
              .each_slice(ANGLES)
              .each_slice(HEIGHTS)
              .to_a
          end
      end

      def turn(depth, height) =
        (@turns ||= {})[[depth, height]] ||= kinds[depth][height].tally.transform_values { |count| count.to_f / ANGLES }
      def troubles(found) = found.except("sound")

      def belt(depth, height)
        kind, share = troubles(turn(depth, height)).max_by(&:last)
        kind && share >= LEAST_SHARE ? { kind: kind, share: share } : nil
      end

      def level(depth, rpm)
        circles = (0...HEIGHTS).map { |height| [turn(depth, height), radii[depth, height]] }
        whole = circles.sum(&:last)
        met =
          circles.each_with_object(Hash.new(0.0)) do |(found, radius), sum|
            found.each { |kind, share| sum[kind] += share * radius / whole }
          end
        {
          share: shares[depth],
          left_mm: (radii[depth, true] - radii[DEPTHS - 1, true]).max,
          met: met,
          trouble_share: troubles(met).values.sum,
          most_air: most_air(depth, rpm)
        }
      end

      def most_air(depth, rpm)
        air = Array.new(HEIGHTS) { |at| turn(depth, at).fetch("air", 0) }
        height = air.each_index.select { |at| air[at].between?(LEAST_SHARE, 1 - 1e-9) }.max_by { |at| air[at] } or
          return
        {
          z_mm: @z_mm[height],
          air_share: air[height],
          knocks_per_s: gaps(kinds[depth][height]) * rpm / 60.0,
          advice: CuttingCircle.advice(air[height])["key"]
        }
      end

      # Of one turn.
      def gaps(line) = line.each_index.count { |place| line[place - 1] == "air" && line[place] != "air" }
    end
  end
end
