# frozen_string_literal: true

module MossyAnvil
  module Mend
    # What there is to say of openings before they are filled.
    class FillAdvice
      # Less than this share of it staying in the piece, it is worth saying so.
      WASTE_SHARE = 0.5

      # fills: Fills of the defects. positions: how it lies meanwhile. The rest as Fills takes it.
      def initialize(fills, positions, defects, row, scene, at:)
        @fills = fills
        @positions = positions
        @defects = defects
        @row = row
        @scene = scene
        @at = at
      end

      # List of advice.
      def to_a = [amount, wasted, *misfits, *bonds_nothing, *wide, opened_later].compact

      private

      def say(tone, key, figure: nil, **amounts)
        { tone: tone.to_s, figure: figure && "#{@at}/#{figure}", **Message.of("steps.fill.says.#{key}", **amounts) }
      end

      def filler = MendStep.product("fillers", @row)

      def amount
        return say(:go, "nothing", ids: Message.ids(@defects.map(&:id))) if @fills.ml.zero?

        say(
          :plain,
          "amount",
          figure: "g",
          ml: [@fills.ml, "ml"],
          filler: filler,
          layers: Message.count(@fills.layers),
          g: [@fills.grams, "g"]
        )
      end

      # Most of it is turned away again.
      def wasted
        return if @fills.ml.zero? || @fills.kept_ml >= WASTE_SHARE * @fills.ml

        limits = @scene.assessed[:stages].except(:hollowed).values.map { |stage| stage[:limit_rpm] }
        say(:plain, "wasted", kept: [@fills.kept_ml, "ml"], limit: [limits.min, "rpm"])
      end

      def misfits
        @defects
          .reject { |defect| fits?(defect) }
          .map do |defect|
            say(
              :care,
              "misfit",
              id: Message.text(defect.id),
              mouth: [defect.mouth_mm, "mm"],
              usual: Table.term("fillers", usual(defect)["key"])
            )
          end
      end

      def usual(defect) = Filling.filler_of(defect, moisture_pct: @scene.wooden? ? @scene.moisture_pct : nil)

      def fits?(defect)
        return @row["by_vacuum"] || @row["key"] == "thin_ca" if defect.many_holes?

        usual(defect)["key"] == @row["key"] ||
          defect.mouth_mm.between?(@row["mouth_from_mm"] * 0.8, @row["mouth_to_mm"] * 1.2)
      end

      # Filled is not glued: what bridges no such mouth, or does not reach so deep, leaves it open as far as the speed
      # goes.
      def bonds_nothing
        @defects.select { |defect| defect.path? && defect.crack? }.filter_map { |crack| bond_in(crack) }
      end

      def bond_in(crack)
        bond = Model::Bond.mpa(@row["key"], mouth_mm: crack.width_mm, depth_mm: crack.depth_mm)
        id = Message.text(crack.id)
        return say(:stop, "bonds_nothing", filler: filler, id: id, mouth: [crack.width_mm, "mm"]) if bond.zero?
        return if Model::Bond.reached(@row, crack.depth_mm) >= 1

        say(:care, "reaches", id: id, reach: [@row["reach_mm"], "mm"], deep: [crack.depth_mm, "mm"])
      end

      def wide = @positions.select(&:wide).map { |position| say(:care, "wide", ids: Message.ids(position.ids)) }

      # Those that the hollow will open from within.
      def opened_later
        list = @defects.map(&:id).select { |id| @scene.report_of(id)&.fetch(:breaks_through) }
        say(:care, "opened_later", ids: Message.ids(list)) if list.any?
      end
    end
  end
end
