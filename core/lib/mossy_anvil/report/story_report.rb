# frozen_string_literal: true

module MossyAnvil
  module Report
    # What the ledger and the record of a piece tell of it: what it was and became, and the way it went.
    class StoryReport
      # blank: as surveyed; about: as RouteReport takes them. A blank without a form has no way yet.
      def initialize(blank, **about)
        @blank = blank
        @route = blank.form && RouteReport.new(blank, ways: :taken, **about)
      end

      # Plain data. largest_mm: of the piece, or of the blank while it has no form. defects: id, type, and what became
      # of each. steps: of the way taken, without those left out.
      def to_h
        {
          stuff: @blank.material.species,
          stock_kind: @blank.material.kind,
          form_kind: @blank.form&.kind,
          origin: @blank.intake[:origin],
          got_on: @blank.intake[:got_on],
          blank_cost: (@blank.intake[:cost] || 0).to_f,
          rate: @blank.worth && @blank.worth[:rate].to_f,
          largest_mm: largest_mm,
          trouble: trouble,
          defects: @blank.defects.map { |defect| { id: defect.id, type: defect.type, became: became(defect) } },
          steps: steps
        }
      end

      private

      def largest_mm =
        if @blank.form
          low, high = @blank.form.z_span_mm
          [2 * @blank.form.outside.largest_mm, high - low].max
        else
          [@blank.shape.across_mm, @blank.shape.length_mm].max
        end

      def became(defect)
        return defect.mended? ? "mended" : "as_found" if defect.path?

        defect.soaked? ? "hardened" : "as_found"
      end

      # What trouble it had, and what became of that as a whole: "none", "kept" or "mended".
      def trouble
        return "none" if @blank.defects.empty?

        mended = @blank.defects.any? { |defect| became(defect) != "as_found" }
        mended || steps.any? { |step| step[:done] && step[:stretch] == "mend" } ? "mended" : "kept"
      end

      def steps
        return [] unless @route

        @steps ||=
          @route
            .steps
            .reject(&:left_out)
            .map do |step|
              {
                id: step.id,
                kind: step.kind,
                stretch: step.stretch,
                name: step.name,
                hands_min: step.hands_min,
                done: step.done
              }
            end
      end
    end
  end
end
