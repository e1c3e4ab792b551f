# frozen_string_literal: true

module MossyAnvil
  module Report
    # What drying does to a hollow form turned from wet wood: how it moves, how thick to leave it so that it can be
    # turned true again, and where it will check.
    class RoughReport
      # Wall of the trade's rule, a share of the diameter. Sound wood left on each side beyond the movement, mm.
      WALL_SHARE, SPARE_MM = 0.1, 2.0
      # Along the fibres hardly anything shrinks, % of green size. Burl moves as it likes: so much of the way between
      # its two shrinkages, %.
      ALONG_FIBRES_PCT, BURL_SPREAD_PCT = 0.1, 3.0
      # So many points over what this air takes it to, and it still moves enough to speak of.
      WETTER_PCT = 4.5
      SOURCE = "shrinkage_and_a_wall_of_a_tenth"

      # water: the drying report, or nil.
      def initialize(solid, water, workings)
        @solid = solid
        @blank = solid.blank
        @form = @blank.form
        @water = water
        @workings = workings
      end

      # Plain data; nil where nothing moves: no hollow, no wood, or as dry as this air already.
      def to_h
        return unless @form&.hollow? && @water && stock && @water[:moisture_pct] > @water[:emc_pct] + WETTER_PCT

        {
          to_pct: @water[:emc_pct],
          widest_mm: widest,
          narrowest_mm: narrowest,
          narrow_clock_deg: narrow_clock,
          oval_mm: oval,
          wall_mm: wall,
          allowance_mm: allowance,
          checks_clock_deg: end_grain_clocks,
          opens: opens
        }
      end

      private

      def stock = @blank.material.shrinking_stock
      def across_mm = 2 * @form.outside.largest_mm

      def put(key, value, unit, formula, inputs)
        @workings.put(
          "/form/rough/#{key}",
          value: value,
          unit: unit,
          formula: formula,
          inputs: inputs,
          certainty: :rule_of_thumb,
          source: SOURCE
        )
      end

      # [widest, narrowest way], total shrinkage in %: by how the fibres lie.
      def shrinks_pct
        tangential, radial = stock.tangential_pct, stock.radial_pct
        case @blank.material.grain
        when "face"
          [ALONG_FIBRES_PCT, tangential]
        when "end"
          [radial, tangential]
        else
          ((tangential + radial) / 2).then { |mean| [mean - (BURL_SPREAD_PCT / 2), mean + (BURL_SPREAD_PCT / 2)] }
        end
      end

      def dried(key, total_pct)
        put(
          key,
          Mend::Shrinkage.size_mm(across_mm, total_pct, @water[:emc_pct], from_pct: @water[:moisture_pct]),
          "mm",
          "its_diameter_now_less_what",
          {
            "diameter" => [across_mm, "mm"],
            "moisture_now" => [@water[:moisture_pct], "%"],
            "moisture_then" => [@water[:emc_pct], "%"],
            "from_green_to_oven_dry" => [total_pct, "%"]
          }
        )
      end

      def widest = @widest ||= dried("widest_mm", shrinks_pct[0])
      def narrowest = @narrowest ||= dried("narrowest_mm", shrinks_pct[1])
      def oval = widest - narrowest

      # Square to the fibres, where they run across; nil where that is not known.
      def narrow_clock =
        if @blank.material.grain == "face" && @blank.material.grain_clock_deg
          ClockAngle.fold(@blank.material.grain_clock_deg + 90)
        end

      # Enough to cut an oval round again inside and out, and the finished wall with it; and never less than the trade's
      # rule.
      def wall
        @wall ||=
          begin
            finished = @solid.least_wall.thickness_mm
            put(
              "wall_mm",
              [WALL_SHARE * across_mm, finished + oval + (2 * SPARE_MM)].max,
              "mm",
              "the_larger_of_a_tenth",
              {
                "diameter" => [across_mm, "mm"],
                "finished_wall" => [finished, "mm"],
                "movement" => [oval, "mm"],
                "to_spare_each_side" => [SPARE_MM, "mm"]
              }
            )
          end
      end

      # What is left to turn away after drying, all told, once the oval is round again.
      def allowance = wall - @solid.least_wall.thickness_mm - oval

      # Where the fibres end at the rim it dries and checks first.
      def end_grain_clocks
        clock = @blank.material.grain == "face" && @blank.material.grain_clock_deg or return []
        [ClockAngle.fold(clock), ClockAngle.fold(clock + 180)]
      end

      # How far each open crack may open at its mouth, at most.
      def opens
        cracks =
          @blank.defects.select { |defect| defect.path? && defect.open? && @solid.left_at(:hollowed).include?(defect) }
        opening =
          Mend::CrackOpening.new(
            @blank,
            from_pct: @water[:moisture_pct],
            to_pct: @water[:emc_pct],
            across_mm: across_mm,
            cracks: cracks
          )
        opening.openings.each_with_index.map do |(id, mm), index|
          {
            id: id,
            mm:
              put(
                "opens/#{index}/mm",
                mm,
                "mm",
                opening.formula(id),
                {
                  "diameter" => [across_mm, "mm"],
                  "rings_more_than_rays" => [opening.rings_over_rays_pct, "%"],
                  "open_cracks" => [cracks.size, ""]
                }
              )
          }
        end
      end
    end
  end
end
