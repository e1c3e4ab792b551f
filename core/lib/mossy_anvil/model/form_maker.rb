# frozen_string_literal: true

module MossyAnvil
  module Model
    # A form from its kind and a few measures, laid into the middle of the blank with its foot at the head and its mouth
    # at the tail.
    # What is hollow follows the outside at its wall and floor.
    class FormMaker
      TIDY = 3
      # Of the length a hollow piece leaves over, so much is at its foot, where it is held.
      FOOT_SHARE = 0.7

      # Kinds there are, by key.
      def self.kinds = Table.rows("forms")

      # blank: on its centres. kind: a key of the table; measures: { key => number } for those that are given. Raises
      # InvalidInput under `at`.
      def initialize(blank, kind, measures = {}, at: "")
        @shape = blank.shape
        @use = blank.form&.use
        @row = FormMaker.kinds.find { |row| row["key"] == kind } or
          raise InvalidInput.at("#{at}/kind", Fault.t("is", given: Fault.shown(kind)), known)
        @measures = FormMeasures.new(@row, measures, @shape, at)
      end

      # Plain data: the form as in a blank file, and each measure with its name, value and whether it was given.
      def to_h = { form: form, measures: @measures.to_a }

      # As in a blank file, string-keyed.
      def form
        points =
          FormCurves
            .new(@measures)
            .of(@row["key"])
            .map { |z_mm, r_mm| [(z_mm + foot_z).round(TIDY), [r_mm, 0].max.round(TIDY)] }
        {
          "kind" => @row["key"],
          "opens" => "tail",
          "outside" => points,
          "inside" => inside,
          "follows" => follows,
          "curve" => curve,
          "use" => @use
        }.compact
      end

      private

      def known = FormMaker.kinds.map { |row| row["key"] }.join(", ")

      # The rest of the wood on both ends alike, but more at the foot of what is hollow.
      def foot_z = (@shape.length_mm - @measures.height) * (@measures.hollow? ? FOOT_SHARE : 0.5)
      def curve = %w[box ring disc].include?(@row["key"]) ? "straight" : "smooth"

      def follows
        return unless @measures.hollow?

        wall_mm = @measures.value("wall_mm")
        { "wall_mm" => wall_mm, "floor_mm" => floor_mm(wall_mm) }
      end

      # Of a cup on a stem the wood under its hollow, stem and all.
      def floor_mm(wall_mm)
        return @measures.value("floor_mm") unless @row["key"] == "stem_cup"

        (@measures.height * (1 - @measures.value("cup"))) + wall_mm
      end

      def inside
        return unless @row["key"] == "ring"

        [0, @measures.height].map { |z_mm| [(z_mm + foot_z).round(TIDY), @measures.half("bore_mm")] }
      end
    end
  end
end
