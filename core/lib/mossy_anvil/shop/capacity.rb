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

      # Who may take one of each of those at a time: :anyone, or the job that the first one is kept for, or nil.
      def for_whom(keys, time)
        taken = keys.reject { |key| unit(key, nil, time) }
        return :anyone if taken.empty?

        kept = @units.fetch(taken.first).filter_map(&:kept_for).first
        kept if kept && taken.all? { |key| unit(key, kept, time) }
      end

      # When one of them was last given back, of those that a job may take; to say what it waited for.
      def free_from(key) = @units.fetch(key).map(&:free_min).min

      # Takes one of each until a time; kept: the job it stays with after that, nil for none.
      def take(keys, job, time, until_min, kept: nil)
        keys.each do |key|
          one = unit(key, job, time)
          one.free_min = until_min
          one.kept_for = kept
        end
      end

      # The times after that one at which something is given back.
      def returns(time)
        @units.each_value.flat_map { |units| units.filter_map { |unit| unit.free_min if unit.free_min > time } }
      end

      private

      def unit(key, job, time)
        units = @units.fetch(key)
        (job && units.find { |one| one.kept_for.equal?(job) }) ||
          units.find { |one| one.kept_for.nil? && one.free_min <= time }
      end
    end
  end
end
