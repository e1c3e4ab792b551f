# frozen_string_literal: true

module MossyAnvil
  module Turn
    # The speeds to climb by: from the higher of the lathe's slowest and 40 % of the limit, by quarters, up to the
    # limit.
    module SpeedSteps
      module_function

      # rpm, lowest first; empty where the limit is under the lathe's slowest.
      def rungs(limit_rpm, lathe_min_rpm)
        return [] if limit_rpm < lathe_min_rpm

        row = Table["speed"]["ladder"]
        rung = [lathe_min_rpm, limit_rpm * row["starts_at_share"]].max
        found = []
        while rung < limit_rpm
          found << rung
          rung *= row["step"]
        end
        found << limit_rpm
      end
    end
  end
end
