# frozen_string_literal: true

module MossyAnvil
  module Shop
    # A JobStep in its place in the schedule. worker: id. parts: [[from, to], ...] of work. ready_min: when it could
    # have been begun; until_min: when its wait is over. held_up_by: :hands or the key of what was taken, where it began
    # later than it could; nil else. Minutes as of WorkingHours.
    PlacedStep =
      Struct.new(:step, :worker, :parts, :ready_min, :until_min, :held_up_by, keyword_init: true) do
        def from_min = parts.first.first
        def to_min = parts.last.last
        def queued_min = from_min - ready_min
        def spoilt? = !step.within_min.nil? && queued_min > step.within_min
      end
  end
end
