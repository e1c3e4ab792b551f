# frozen_string_literal: true

module MossyAnvil
  # What was made of a value, kept for when the same value comes again: a blank is reckoned over and over with one thing changed in it.
  # Only what follows from its key alone may be kept, and what nobody changes. What was not asked for of late goes.
  class Recall
    @all = []

    class << self
      # All there are forget what they hold.
      def forget = @all.each(&:forget)

      def added(recall) = @all << recall
    end

    # most: how many it holds. In two halves: what is asked for in the old one moves to the new one, and when that is full, what is left of the old one goes.
    # A hit in the new one writes nothing, which the collector of garbage would have to look through each time.
    def initialize(most)
      @half = most / 2
      @lock = Mutex.new
      forget
      Recall.added(self)
    end

    # What is held for a key, else what the block makes of it (not nil). Keys are told apart as a Hash does: plain data by what it says, other values by being themselves.
    def of(key) = found(key) || keep(key, yield)

    # What is held for a key, or nil.
    def found(key)
      @lock.synchronize { @new[key] || @old.delete(key)&.then { |value| put(key, value) } }
    end

    # Holds a value (not nil) for a key; gives it back.
    def keep(key, value) = @lock.synchronize { put(key, value) }

    def size = @new.size + @old.size

    def forget
      @lock.synchronize { @new, @old = {}, {} }
    end

    private

    def put(key, value)
      @new, @old = {}, @new if @new.size >= @half
      @new[key] = value
    end
  end
end
