# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # The truth of a blank to practise on, once it is known: as Truth has it, and nothing of it left to chance.
    class RevealedTruth
      # surveyed: Blank as the learner wrote it down; true_blank: Blank with all that is truly in it.
      def initialize(surveyed, true_blank)
        @surveyed = surveyed
        @reveal = Reveal.new(surveyed, true_blank)
        @paths, @bodies = true_blank.defects.partition(&:path?)
      end

      def strength = 1.0
      def toughness = 1.0
      def resin_pace = 1.0
      def moisture_points = 0.0
      def glue_mpa = Table["odds"]["spread"]["glue_mpa"][1]

      # Bodies that nobody wrote down.
      def hidden = @hidden ||= @bodies - matched.keys

      # A learner's blank, or the same with some of it mended or another form, as it truly is: what was written down is
      # as deep and as large as it is, what was filled is gone, what was feared for nothing is not there.
      def of(blank)
        left = blank.defects.map(&:id)
        known = matched.select { |_, own| left.include?(own.id) }.keys
        blank.with_defects(true_paths(blank) + known + hidden)
      end

      private

      # { true body => the one in the survey it was found as }
      def matched = @matched ||= @bodies.to_h { |body| [body, @reveal.found_as(body)] }.compact

      def true_paths(blank)
        @paths.map do |path|
          own = @reveal.found_as(path) or next path
          written = blank.defects.find { |defect| defect.id == own.id }
          written ? path.mended_with(written.mend) : path
        end
      end
    end
  end
end
