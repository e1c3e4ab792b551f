# frozen_string_literal: true

module MossyAnvil
  module Report
    # Numbers to mark on the wood for a form: stations with their diameters, depths to stop at, tenon, facets, feet,
    # ring and core, lid, insert.
    class SetOutReport
      MOST_STATIONS = 200
      # A few per cent of water, as a shop's seasons bring.
      MOVES_PCT = 3.0

      # asked: { every_mm:, feet:, feet_radius_mm:, thread:, engaged_mm:, bit_mm:, hole: }, whatever is wanted; hole as
      # HoleLines has it, as deep as wide where nothing is said. Raises InvalidInput under `at`.
      def initialize(blank, asked = {}, at: "")
        raise InvalidInput.at("/document/form", Fault.t("is_missing"), Fault.t("a_form_to_set_out")) unless blank.form

        @surveyed = blank
        @blank = blank.on_centres
        @form = @blank.form
        @asked = { every_mm: 10.0, feet: 3, bit_mm: 25.0, engaged_mm: 12.0 }.merge(asked)
        @table = Table["set_outs"]
        @workings = Workings.new
        check(at)
      end

      # Plain data, each with its working where it is calculated.
      def to_h
        {
          every_mm: @asked[:every_mm],
          stations: stations,
          depths: depths,
          sphere: sphere,
          feet: feet,
          ring: ring,
          lid: lid,
          **SetOutHoles.new(@surveyed, @asked, method(:put)).to_h,
          workings: @workings.to_h
        }
      end

      private

      def check(at)
        faults = []
        most = @form.length_mm / MOST_STATIONS
        allowed = Fault.t("mm_or_more_for_a_form_this", least: most.ceil)
        faults << fault(at, :every_mm, allowed) if @asked[:every_mm] < most
        threads = @table["threads"].map { |row| row["key"] }
        faults << fault(at, :thread, threads.join(", ")) unless [nil, *threads].include?(@asked[:thread])
        raise InvalidInput, faults if faults.any?
      end

      def fault(at, name, allowed) =
        Fault.new(path: "#{at}/#{name}", problem: Fault.t("is", given: Fault.shown(@asked[name])), allowed: allowed)

      def put(key, value, unit, formula, inputs = {}, certainty: :derived)
        @workings.put(
          "/#{key}",
          value: value,
          unit: unit,
          formula: formula,
          inputs: inputs,
          source: @table["source"],
          certainty: certainty
        )
      end

      # Even steps from the foot (the head end, where there is no foot), and the far end itself.
      def stations
        low, high = @form.z_span_mm
        steps = (0..(@form.length_mm / @asked[:every_mm]).floor).map { |step| step * @asked[:every_mm] }
        steps << @form.length_mm if @form.length_mm - steps.last > 0.01
        steps.map { |from| station(from, @form.opens == "tail" ? low + from : high - from) }
      end

      def station(from_mm, z_mm)
        inner =
          (
            if @form.hollow? && z_mm.between?(@form.inside.first_z_mm - 1e-9, @form.inside.last_z_mm + 1e-9)
              2 * @form.inside.radius_mm(z_mm)
            end
          )
        { from_foot_mm: from_mm, z_mm: z_mm, diameter_mm: 2 * @form.outside.radius_mm(z_mm), inside_mm: inner }
      end

      def depths
        return unless @form.hollow? && !@form.open_both_ends?

        point = @table["drill"]["points"]["saw_tooth_mm"]
        height = @form.length_mm
        {
          hollow_mm: @form.wall_depth_mm,
          floor_mm: @form.floor_mm,
          bit_mark_mm:
            put(
              "depths/bit_mark_mm",
              Turn::SetOuts.bit_mark_mm(height, @form.floor_mm, point),
              "mm",
              "height_over_the_foot_less",
              { "height" => [height, "mm"], "floor" => [@form.floor_mm, "mm"], "point" => [point, "mm"] }
            )
        }
      end

      def sphere
        return unless @form.kind == "sphere"

        diameter = 2 * @form.outside.largest_mm
        start, length = Turn::SetOuts.sphere_facet_mm(diameter)
        {
          diameter_mm: diameter,
          facet_start_mm: put("sphere/facet_start_mm", start, "mm", "d_1_1_root_2", { "d" => [diameter, "mm"] }),
          facet_length_mm: put("sphere/facet_length_mm", length, "mm", "d_root_2_1", { "d" => [diameter, "mm"] }),
          neck_mm: diameter * @table["neck_share"]
        }
      end

      def feet
        return unless @form.hollow? && !@form.open_both_ends?

        radius = @asked[:feet_radius_mm] || (@form.outside.points[@form.opens == "tail" ? 0 : -1][1] * 0.8)
        return if radius <= 0

        {
          count: @asked[:feet],
          radius_mm: radius,
          chord_mm:
            put(
              "feet/chord_mm",
              Turn::SetOuts.feet_chord_mm(radius, @asked[:feet]),
              "mm",
              "n_2_r_sin_180_degrees",
              { "r" => [radius, "mm"], "n" => [@asked[:feet], ""] }
            )
        }
      end

      def ring
        return unless @form.open_both_ends?

        bore = 2 * @form.inside.points.map(&:last).min
        {
          bore_mm: bore,
          iso_size: put("ring/iso_size", bore * Math::PI, "", "the_length_round_the_bore", { "bore" => [bore, "mm"] }),
          core_mm:
            put(
              "ring/core_mm",
              bore - @table["glue_gap_mm"],
              "mm",
              "a_core_glued_into_that",
              { "gap" => [@table["glue_gap_mm"], "mm"] },
              certainty: :rule_of_thumb
            )
        }
      end

      def lid
        return unless @form.kind == "box" && @form.hollow?

        mouth = 2 * @form.inside.points.map(&:last).max
        {
          mouth_mm: mouth,
          fits: @table["lid_fits"].map { |name, gap| { name: name, spigot_mm: mouth - gap } },
          moves_mm: moves_mm(mouth)
        }
      end

      # How much a mouth that wide moves across the fibres as the shop goes a few per cent wetter or drier; nothing
      # along them or in what does not swell.
      def moves_mm(mouth)
        stock = @blank.material.stock
        return 0.0 unless @blank.material.wooden? && stock&.wood?

        put(
          "lid/moves_mm",
          mouth * stock.tangential_pct / 100 * MOVES_PCT / 30,
          "mm",
          "across_the_fibres_as_its",
          {
            "change_of_moisture" => [MOVES_PCT, "%"],
            "mouth" => [mouth, "mm"],
            "whole_shrinkage" => [stock.tangential_pct, "%"]
          },
          certainty: :rule_of_thumb
        )
      end
    end
  end
end
