# frozen_string_literal: true

module MossyAnvil
  module Shop
    # Lathes and equipment of the shop, each so many times, and from when each is free again.
    class Capacity
      Unit = Struct.new(:free_min, :kept_for)

      # counts: { key => how many }; what is not named there is not in the shop.
      def initialize(counts)
        @units = counts.transform_values { |count| Array.new(count) { Unit.new(0, nil) } }
      end

      def any?(key) = @units.fetch(key, []).any?

      # What there is of each of those keys, as #for_whom and #take want it: looked up once, not every time.
      def of(keys) = keys.map { |key| @units.fetch(key) }

      # Who may take one of each kind at a time: :anyone, or the job that the first one is kept for, or nil.
      def for_whom(kinds, time)
        taken = kinds.find { |units| unit(units, nil, time).nil? } or return :anyone
        kept = taken.filter_map(&:kept_for).first
        kept if kept && kinds.all? { |units| unit(units, kept, time) }
      end

      # When one of that key was last given back; to say what it was that something waited for.
      def free_from(key) = @units.fetch(key).map(&:free_min).min

      # Takes one of each kind until a time; kept: the job it stays with after that, nil for none.
      def take(kinds, job, time, until_min, kept: nil)
        kinds.each do |units|
          one = unit(units, job, time)
          one.free_min = until_min
          one.kept_for = kept
        end
      end

      # The times after that one at which something is given back.
      def returns(time)
        @units.each_value.flat_map { |units| units.filter_map { |unit| unit.free_min if unit.free_min > time } }
      end

      private

      def unit(units, job, time)
        (job && units.find { |one| one.kept_for.equal?(job) }) ||
          units.find { |one| one.kept_for.nil? && one.free_min <= time }
      end
    end
  end
end
