# frozen_string_literal: true

module MossyAnvil
  module Formats
    # What collects Faults in @faults, one after another.
    module FaultList
      private

      def fault(path, problem, allowed) = @faults << Fault.new(path: path, problem: problem, allowed: allowed)
    end
  end
end
