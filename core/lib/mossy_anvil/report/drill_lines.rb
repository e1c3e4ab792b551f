# frozen_string_literal: true

module MossyAnvil
  module Report
    # The lines of a card for a hole on the axis: bits in order, what they meet on the way, what lies under its end.
    class DrillLines
      # Places looked at along the way, and round the bit.
      PLACES, ROUND, ACROSS = 60, 8, 4

      # blank: on its centres, with a form and a lathe or none; to_mm: diameter of the hole; deep_mm: from the face it
      # enters by (from: "mouth" or "foot"); moisture_pct: of the wood then; limit_rpm: of the step, or nil.
      def initialize(blank, to_mm:, deep_mm:, moisture_pct:, limit_rpm:, from: "mouth")
        @blank = blank
        @to_mm = to_mm
        @depth_mm = deep_mm
        @moisture_pct = moisture_pct
        @limit_rpm = limit_rpm
        @at_tail = (blank.form.opens == "tail") == (from == "mouth")
      end

      def lines
        return [line("drill_stalls", bit: mm(@to_mm))] if bits.nil?

        [*meets, *bits.map { |size, torque| drill(size, torque) }, *under, line("drilled")]
      end

      private

      def row = Table["tools"]["drilling"]
      def line(key, **about) = Mend::CardLine.of(:do, "work.line.#{key}", **about).to_h
      def mm(value) = [value, "mm"]
      def wooden? = @blank.material.wooden?

      def bits
        return @bits if defined?(@bits)

        material = @blank.material
        @bits =
          Turn::Drilling.bits(@to_mm, material.density_kg_m3, end_grain: material.grain == "end", most_nm: belt_nm)
      end

      # Of the slowest belt, which has most.
      def belt_nm
        lathe = @blank.lathe or return Float::INFINITY
        power_w = lathe.power_w || Table["tools"]["unsaid_power_w"]
        Turn::Cutting.belt_torque_nm(power_w, lathe.belts.map { |belt| belt[:max_rpm] }.min)
      end

      def drill(size, torque)
        line(
          "drill",
          bit: mm(size),
          every: mm(Turn::Drilling.clear_every_mm(@moisture_pct, wooden: wooden?)),
          torque: [torque, "N m"],
          rpm: [[Turn::Drilling.usual_rpm(size, wooden: wooden?), @limit_rpm].compact.min, "rpm"],
          target: [@depth_mm, "mm", nil]
        )
      end

      def meets
        ids, at_mm = found(0, @depth_mm)
        ids.empty? ? [] : [line("drill_meets", ids: Message.ids(ids), at: mm(at_mm))]
      end

      # A bit that breaks into what lies under the floor opens the piece.
      def under
        ids, = found(@depth_mm, @depth_mm + row["under_mm"])
        ids.empty? ? [] : [line("drill_under", ids: Message.ids(ids))]
      end

      # Letters of what lies in the hole between two depths, and mm to the first of it.
      def found(from_mm, to_mm)
        depths = Numo::DFloat.linspace(from_mm, to_mm, PLACES)
        owners = places.map { |clock_deg, radius_mm| owners(clock_deg, radius_mm, depths) }
        met = owners.flat_map(&:to_a).uniq.reject(&:negative?)
        first = owners.filter_map { |list| list.ge(0).where.to_a.first }.min
        [met.map { |index| @blank.defects[index].id }.sort, first && depths[first]]
      end

      # From the middle of the bit to its edge, all round.
      def places =
        (0...ROUND)
          .to_a
          .product((0..ACROSS).to_a)
          .map { |turn, ring| [turn * 360.0 / ROUND, [@to_mm / 2 * ring / ACROSS, 0.01].max] }

      def owners(clock_deg, radius_mm, depths)
        low, high = @blank.form.z_span_mm
        z_mm = @at_tail ? high - depths : low + depths
        probe.owners(z_mm.new_fill(clock_deg), z_mm.new_fill(radius_mm), z_mm)
      end

      def probe = @probe ||= Solid::PointProbe.new(@blank, narrowest_mm: 1.0)
    end
  end
end
