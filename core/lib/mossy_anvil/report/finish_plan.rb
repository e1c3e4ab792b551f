# frozen_string_literal: true

module MossyAnvil
  module Report
    # Sanding and finish of a piece by part, as its way leaves it to be finished: mended and dry.
    class FinishPlan
      # blank: as surveyed, with a form; about: as RouteReport takes them. Raises InvalidInput under `at` where there is
      # no form.
      def initialize(blank, **about)
        @route = RouteReport.new(blank, ways: :taken, speeds: false, **about)
      end

      # Plain data, see PieceFinish.
      def to_h = @route.finish.to_h
    end
  end
end
