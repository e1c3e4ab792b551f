# frozen_string_literal: true

module MossyAnvil
  module Report
    # What more than one class asks of @report, the assessment as plain data so far.
    module ReportQueries
      private

      # What is to be mended before the work goes on: as advised, less what the turner chose to leave. Limits stand
      # either way.
      def to_mend
        @report[:defects].select do |defect|
          %w[fill cast soak hold dry_first remove_now].include?(defect[:verdict]) && defect[:chosen] != "leave"
        end
      end

      # What must come out before an edge meets it.
      def struck = @report[:defects].select { |defect| defect[:verdict] == "stop" }.map { |defect| defect[:id] }

      # Moisture in % that the driest of the fillers asked for takes, nil where nothing is to be filled.
      def filler_gate_pct = to_mend.filter_map { |defect| defect.dig(:filler, :dry_to_pct) }.min

      def wetter_than?(gate_pct) = @report[:drying] && @report[:drying][:moisture_pct] > gate_pct
    end
  end
end
