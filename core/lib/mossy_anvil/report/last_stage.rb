# frozen_string_literal: true

module MossyAnvil
  module Report
    # For classes of an AdviceBuilder that speak of one stage: the first that cannot be run at all, else the last; as it
    # stands where there is no form yet.
    module LastStage
      def initialize(blank, report)
        super
        stages = report[:stages]
        @last_name = stages.find { |_, stage| stage[:unsafe] }&.first || (report[:form] ? stages.keys.last : :blank)
        @last = stages[@last_name]
      end
    end
  end
end
