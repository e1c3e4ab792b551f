# frozen_string_literal: true

module MossyAnvil
  module Mend
    # What openings take of a filler: how much, in how many layers, how long each of them needs.
    class Fills
      # Over what the openings take: a share, and what stays in the cup, ml; CA needs none.
      OVER_SHARE, CUP_ML = 0.15, 1.0
      # With less than this share of it in, it is not filled.
      FILLED_SHARE = 0.85

      # defects: that are filled. row: of the fillers table, with what the product's own sheet says in its place. scene:
      # MendContext before it. at: pointer of the step, for faults and workings. put: as MendStep#put.
      def initialize(defects, row, scene, at:, put:)
        @defects = defects
        @row = row
        @scene = scene
        @at = at
        @put = put
      end

      # Of each defect { id:, ml:, mouth_mm:, deep_mm:, layers: }.
      def to_a
        @to_a ||=
          @defects.map do |defect|
            deep = defect.path? ? defect.depth_mm : defect.size_mm.min
            {
              id: defect.id,
              ml: ml_of(defect),
              mouth_mm: defect.mouth_mm,
              deep_mm: deep,
              layers: (deep / layer_mm(defect.mouth_mm, deep)).ceil.clamp(1, 40)
            }
          end
      end

      def of(ids) = to_a.select { |fill| ids.include?(fill[:id]) }
      # Defects of which anything is left to fill.
      def open = @defects.select { |defect| ml_of(defect).positive? }
      def layers = to_a.select { |fill| fill[:ml].positive? }.map { |fill| fill[:layers] }.max || 1
      def ml = to_a.sum { |fill| fill[:ml] }
      def kept_ml = @defects.sum { |defect| @scene.report_of(defect.id)&.fetch(:fill_volume_mm3) || 0.0 } / 1000
      def mix_ml = ml.zero? ? 0.0 : (ml * (1 + OVER_SHARE)) + cup_ml
      def needed_g = ml * @row["density_g_ml"]
      def filled_by?(used_g) = used_g.nil? || used_g >= FILLED_SHARE * needed_g

      # More where so many mm are missing at the mouths, ml.
      def missing_ml(short_mm) = to_a.sum { |fill| fill[:ml] * [short_mm / [fill[:deep_mm], 0.1].max, 1].min }

      def grams
        @grams ||=
          @put.call(
            "g",
            mix_ml * @row["density_g_ml"],
            "g",
            "all_of_what_is_open",
            source: Table["fillers"]["source"],
            inputs: {
              "to_fill" => [ml, "ml"],
              "more" => [OVER_SHARE * 100, "%"],
              "in_the_cup" => [cup_ml, "ml"],
              "density" => [@row["density_g_ml"], "g/ml"]
            }
          )
      end

      private

      def cup_ml = @row["class"] == "ca" ? 0.0 : CUP_ML

      # All of the opening, where any of it stays in the piece.
      def ml_of(defect)
        found = @scene.report_of(defect.id)
        found && found[:fill_volume_mm3].positive? ? found[:open_volume_mm3] / 1000 : 0.0
      end

      # How thick at once: CA as its row says. What heats as it cures is cooled by the lips of a narrow opening; where
      # that is not enough, its own layer depth against wood, to the peak that is fine.
      def layer_mm(mouth_mm, deep_mm)
        return @row["layer_mm"] unless @row["class"] == "epoxy"

        heat = { top_h: wood_h, bottom_h: wood_h, start_c: @scene.shop_c, air_c: @scene.shop_c }
        narrow =
          Exotherm.new(kinetics, depth_mm: mouth_mm.clamp(0.5, 100), **heat).peak_c <=
            CureKinetics.table["peaks_c"]["fine"]
        return @row["layer_mm"] if narrow

        [
          LayerPlan.new(
            kinetics,
            deep_mm.clamp(1, 200),
            **heat,
            top_h: CureKinetics.table["loss_w_m2_k"]["top"]
          ).deepest_mm,
          @row["layer_mm"]
        ].min
      end

      def wood_h = CureKinetics.table["loss_w_m2_k"]["wood"]

      def kinetics
        @kinetics ||=
          CureCalibration.kinetics(
            working_min: @row["working_min"],
            density_g_ml: @row["density_g_ml"],
            peak_c: @row["peak_c"],
            at: "#{@at}/sheet"
          )
      end
    end
  end
end
