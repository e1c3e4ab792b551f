# frozen_string_literal: true

module MossyAnvil
  # What was made of a value, kept for when the same value comes again: a blank is reckoned over and over with one thing changed in it.
  # Only what follows from its key alone may be kept, and what nobody changes. What was not asked for longest goes first.
  class Recall
    @all = []

    class << self
      # All there are forget what they hold.
      def forget = @all.each(&:forget)

      def added(recall) = @all << recall
    end

    # most: how many it holds.
    def initialize(most)
      @most = most
      @held = {}
      @lock = Mutex.new
      Recall.added(self)
    end

    # What is held for a key, else what the block makes of it (not nil). Keys are told apart as a Hash does: plain data by what it says, other values by being themselves.
    def of(key) = found(key) || keep(key, yield)

    # What is held for a key, or nil.
    def found(key)
      @lock.synchronize do
        value = @held.delete(key)
        @held[key] = value unless value.nil?
        value
      end
    end

    # Holds a value (not nil) for a key; gives it back.
    def keep(key, value)
      @lock.synchronize do
        @held[key] = value
        @held.shift if @held.size > @most
        value
      end
    end

    def size = @held.size
    def forget = @lock.synchronize { @held.clear }
  end
end
