# frozen_string_literal: true

module MossyAnvil
  module Report
    # Everything that caps the speed of one stage, each with its working.
    class StageCaps
      # put: keeps a number's working and gives it back, as StageReport's own.
      def initialize(name, solid, stage, mass, burst, put)
        @name = name
        @solid = solid
        @blank = solid.blank
        @lathe = @blank.lathe
        @stage = stage
        @mass = mass
        @burst = burst
        @put = put
      end

      # { key => rpm or nil }, nil where that does not cap it.
      def to_h
        {
          "swing" => too_much(@stage.swing_mm, @lathe&.swing_mm),
          "length" => too_much(@blank.shape.length_mm, @lathe&.between_centres_mm),
          "lathe" => @lathe&.max_rpm,
          "rim" => rim_rpm,
          "imbalance" => imbalance_rpm,
          "burst" => burst_rpm,
          "crack" => runs.map(&:limit_rpm).min,
          "cross_section" => cross_section&.rpm,
          "heat" => heat_rpm,
          "loose_piece" => loose_rpm,
          "freed_piece" => @solid.freed.any? ? 0.0 : nil
        }
      end

      # What runs on first of all that is open; nil where nothing is.
      def first_to_run = runs.min_by(&:runs_rpm)

      # What cracks square to the axis leave of a section: CrossSections::Limit, or nil.
      def cross_section
        return @cross_section if defined?(@cross_section)

        row = Table["speed"]["cross_section"]
        load =
          Turn::CrossSections::Load.new(
            force_n: row.fetch(@name.to_s),
            mass_g: @mass.mass_g,
            imbalance_g_mm: @solid.most_imbalance_g_mm(@mass),
            reserve: row["reserve"]
          )
        @cross_section =
          Turn::CrossSections.new(@blank, @stage, @solid.grid, @solid.method(:strength_in_layer)).lowest(load)
      end

      def fragile? = left_at_stage.any?(&:fragile?) || @solid.freed.any? || (@stage.hollow? && @solid.openings.any?)
      def left_at_stage = @solid.left_at(@name)

      private

      def burst_rpm
        splits = @burst.weakest.burst_rpm
        splits && (splits / Math.sqrt(@solid.climate.burst_reserve))
      end

      def put(...) = @put.call(...)
      def runs = @runs ||= @solid.crack_runs(@stage, @burst)

      def heat_rpm
        speed = Turn::Heat.surface_m_s(@blank.material) or return
        put(
          "heat_rpm",
          RimSpeed.rpm(speed, @stage.swing_mm),
          "rpm",
          "surface_speed_that_the_stock",
          certainty: :rule_of_thumb,
          source: Table["speed"]["heat"]["source"],
          inputs: {
            "softens_from" => [@blank.material.soft_from_c, "C"],
            "surface_speed" => [speed, "m/s"],
            "swing" => [@stage.swing_mm, "mm"]
          }
        )
      end

      # No speed at all for what does not fit the lathe.
      def too_much(size_mm, room_mm) = room_mm && size_mm > room_mm ? 0.0 : nil

      def rim_rpm
        cap = RimSpeed.cap_m_s(fragile: fragile?, true_running: @stage.true_running?)
        put(
          "rim_rpm",
          RimSpeed.rpm(cap, @stage.swing_mm),
          "rpm",
          "rim_speed_allowed_over_pi",
          certainty: :rule_of_thumb,
          source: Table["speed"]["rim_source"],
          inputs: {
            "rim_speed" => [cap, "m/s"],
            "swing" => [@stage.swing_mm, "mm"]
          }
        )
      end

      def imbalance_rpm
        return unless @lathe

        rpm = Turn::Balance.limit_rpm(@mass.imbalance_g_mm, @lathe)
        rpm = nil if rpm && rpm > 1e6
        put(
          "imbalance_rpm",
          rpm,
          "rpm",
          "speed_at_which_shaking_reaches",
          certainty: :rule_of_thumb,
          source: Table["speed"]["shaking_source"],
          inputs: {
            "imbalance" => [@mass.imbalance_g_mm, "g mm"],
            "lathe_stand_and_ballast" => [@lathe.total_kg, "kg"],
            "share_of_weight" => [Table["speed"]["shaking_share"].fetch(@lathe.stand), ""]
          }
        )
      end

      def loose_rpm
        left_at_stage
          .select { |defect| defect.type == "loose_piece" }
          .filter_map do |piece|
            # By the box that its bond is told of: the heavier of box and ellipsoid, on the safe side.
            mass_g = @blank.material.density_kg_m3 * piece.box_mm3 * 1e-6
            Turn::LoosePiece.limit_rpm(
              mass_g: mass_g,
              radius_mm: piece.radius_mm,
              size_mm: piece.size_mm,
              bonded_share: piece.detail[:bonded_share]
            )
          end
          .min
      end
    end
  end
end
