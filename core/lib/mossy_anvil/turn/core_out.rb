# frozen_string_literal: true

module MossyAnvil
  module Turn
    # A second blank out of the hollow of a bowl: what a curved knife that swings about a point of the axis, at the rim
    # or outside it, leaves whole. The core is a cap of the sphere within the kerf:
    #   radius a = √(ρ² − c²), height h = ρ − c, volume π h² (3 ρ − h) / 3,
    # ρ the knife's radius less half its kerf, c how far outside the rim it swings.
    class CoreOut
      Cap =
        Struct.new(:knife_mm, :centre_mm, :inner_mm) do
          def radius_mm = Math.sqrt((inner_mm**2) - (centre_mm**2))
          def height_mm = inner_mm - centre_mm
          def volume_mm3 = Math::PI * (height_mm**2) * ((3 * inner_mm) - height_mm) / 3
        end

      SLICES, RINGS, ANGLES = 10, 6, 96
      STEPS = 40

      # blank: on its centres; form: Form it is hollowed to, as cut now. belt_nm: of the slowest belt; moisture_pct: of
      # the wood now.
      def initialize(blank, form, belt_nm:, moisture_pct:)
        @blank = blank
        @form = form
        @belt_nm = belt_nm
        @moisture_pct = moisture_pct
        low, high = form.z_span_mm
        @rim_mm, @inward = form.opens == "tail" ? [high, -1] : [low, 1]
        @depth_mm = form.wall_depth_mm
      end

      # Plain data: the largest core worth having; nil where the hollow has none in it.
      def to_h
        cap = caps.max_by(&:volume_mm3) or return
        {
          knife_mm: cap.knife_mm,
          outside_mm: cap.centre_mm,
          diameter_mm: cap.radius_mm * 2,
          height_mm: cap.height_mm,
          volume_mm3: cap.volume_mm3,
          mass_g: cap.volume_mm3 * @blank.material.density_kg_m3 * 1e-6,
          torque_nm: torque_nm(cap),
          belt_torque_nm: @belt_nm,
          holds: holds(cap),
          why_not: why_not(cap)
        }
      end

      private

      def row = Table["tools"]["coring"]
      def kerf_mm = row["kerf_mm"]

      def caps = row["knives_mm"].filter_map { |knife_mm| largest(knife_mm) }

      # The deepest swing of that knife that stays within the hollow.
      def largest(knife_mm)
        reach = (0..STEPS).map { |step| knife_mm * step / STEPS.to_f }
        centre_mm = reach.find { |outside_mm| fits?(knife_mm + (kerf_mm / 2.0), outside_mm) } or return
        cap = Cap.new(knife_mm, centre_mm, knife_mm - (kerf_mm / 2.0))
        return if cap.inner_mm <= centre_mm

        cap if cap.radius_mm >= row["least_radius_mm"] && cap.height_mm >= row["least_height_mm"]
      end

      def fits?(outer_mm, outside_mm)
        deep = outer_mm - outside_mm
        return false unless deep.positive? && deep <= @depth_mm - row["clear_mm"]

        (0..SLICES).all? do |slice|
          depth = deep * slice / SLICES
          arc_mm = Math.sqrt([(outer_mm**2) - ((depth + outside_mm)**2), 0].max)
          arc_mm <= @form.inside.radius_mm(@rim_mm + (@inward * depth)) - row["clear_mm"]
        end
      end

      # At the rim, where the knife's arm is longest.
      def torque_nm(cap)
        force =
          Cutting.force_n(
            kerf_mm,
            row["chip_mm"],
            @blank.material.density_kg_m3,
            scraping: true,
            wet: @moisture_pct.to_f >= Table["tools"]["force"]["wet_from_pct"]
          )
        Cutting.torque_nm(force, cap.radius_mm + kerf_mm)
      end

      # Letters of what lies in it.
      def holds(cap) = owners(cap).uniq.reject(&:negative?).map { |index| @blank.defects[index].id }.sort

      # A core in which a crack runs or a piece is loose, or with too little sound wood in it, is not worth the cut.
      def why_not(cap)
        return "belt" if @belt_nm && torque_nm(cap) > @belt_nm

        found = owners(cap)
        kinds = found.uniq.map { |owner| probe.kind(owner) }
        return "cracked" if kinds.any? { |kind| %w[crack loose].include?(kind) }

        "unsound" if found.count(Solid::PointProbe::SOUND) < row["sound_share"] * found.size
      end

      def owners(cap)
        @owners ||= {}
        @owners[cap] ||= begin
          clock, radius, depth = places(cap)
          probe.owners(clock, radius, @rim_mm + (@inward * depth)).to_a
        end
      end

      # A crack is met however thin it is: as wide as the places lie apart.
      def probe = @probe ||= Solid::PointProbe.new(@blank, narrowest_mm: 5.0)

      # Of the cap, slice by slice: clock degrees, mm, mm below the rim.
      def places(cap)
        rows =
          (1..SLICES).flat_map do |slice|
            depth = cap.height_mm * (slice - 0.5) / SLICES
            wide = Math.sqrt((cap.inner_mm**2) - ((depth + cap.centre_mm)**2))
            (1..RINGS).flat_map do |ring|
              Array.new(ANGLES) { |turn| [turn * 360.0 / ANGLES, wide * (ring - 0.5) / RINGS, depth] }
            end
          end
        rows.transpose.map { |values| Numo::DFloat.cast(values) }
      end
    end
  end
end
