# frozen_string_literal: true

module MossyAnvil
  module Report
    # What a stage's speed means for an edge that is knocked and for a piece that lets go; each number with its working.
    class StageMeeting
      # solid: SolidAnalysis. stage: Solid::Stage. caps: StageCaps. put: as StageBody takes it.
      def initialize(solid, stage, caps, put)
        @solid = solid
        @blank = solid.blank
        @stage = stage
        @caps = caps
        @put = put
      end

      # At a speed, plain data.
      def at(limit_rpm)
        { interrupted_cut: interrupted_cut(limit_rpm), loose_pieces: loose_pieces(limit_rpm) }
      end

      private

      # The circle of this stage's skin that is most in the air as it is cut; nil where the edge never leaves the wood.
      def interrupted_cut(limit_rpm)
        circle = Turn::MostAir.new(@blank, @solid.grid, @stage).circle or return
        share =
          @put.call(
            "interrupted_cut/air_share",
            circle.air_share,
            "share",
            "share_of_one_turn_at",
            inputs: {
              "radius" => [circle.radius_mm, "mm"],
              "off_the_head" => [circle.z_mm, "mm"]
            }
          )
        knocks =
          @put.call(
            "interrupted_cut/knocks_per_s",
            circle.knocks_per_s(limit_rpm),
            "a second",
            "gaps_in_a_turn_times",
            inputs: {
              "gaps" => [circle.gaps, ""],
              "speed" => [limit_rpm, "rpm"]
            }
          )
        {
          radius_mm: circle.radius_mm,
          z_mm: circle.z_mm,
          air_share: share,
          gaps: circle.gaps,
          knocks_per_s: knocks,
          advice: Turn::CuttingCircle.advice(circle.air_share)["key"]
        }
      end

      # Every half-held piece still there, and every one that cracks free, with the energy it would fly off with at this
      # stage's limit.
      def loose_pieces(limit_rpm)
        rpm = [limit_rpm, @blank.lathe&.min_rpm || 0].max
        (half_held + cut_free).each_with_index.map do |(id, volume_mm3, radius_mm), index|
          mass_g = volume_mm3 * @blank.material.density_kg_m3 * 1e-6
          {
            id: id,
            mass_g: mass_g,
            throw_energy_j:
              @put.call(
                "loose_pieces/#{index}/throw_energy_j",
                Turn::LoosePiece.throw_energy_j(mass_g, radius_mm, rpm),
                "J",
                "half_its_mass_times_its",
                source: "textbook_mechanics",
                inputs: {
                  "mass" => [mass_g, "g"],
                  "radius" => [radius_mm, "mm"],
                  "speed" => [rpm, "rpm"]
                }
              )
          }
        end
      end

      def half_held =
        @caps
          .left_at_stage
          .select { |defect| defect.type == "loose_piece" }
          .map { |piece| [piece.id, piece.box_mm3, piece.radius_mm] }
      def cut_free = @solid.freed.map { |piece| [piece.ids.join("+"), piece.volume_mm3, piece.radius_mm] }
    end
  end
end
