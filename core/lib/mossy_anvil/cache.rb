# frozen_string_literal: true

module MossyAnvil
  # What was made of a value, kept for when the same value comes again: a blank is calculated over and over with one
  # thing changed in it.
  # Only what follows from its key alone may be kept, and what nobody changes. What was not asked for of late goes.
  #
  # Two things bound it: each holds so many, and all together hold no more than MOST_BYTES, as far as that can be told
  # from outside. Past that all of them forget, since large lumps are few and soon made again.
  class Cache
    MOST_BYTES = 64_000_000
    # What anything is taken to hold that does not say, and a place in a list or hash.
    PLAIN_BYTES, PLACE_BYTES = 120, 40

    @all = []
    @bytes = 0
    @seen = {}.compare_by_identity
    @lock = Mutex.new

    class << self
      # Bytes that all of them hold, about.
      attr_reader :bytes

      # All there are forget what they hold.
      def forget
        @lock.synchronize do
          @bytes = 0
          @seen.clear
        end
        @all.each(&:forget)
      end

      def added(recall) = @all << recall

      # Counts what is about to be kept, and gives back its bytes; all forget first where that is too much. What many
      # keys have in common (#held_bytes)
      # counts once.
      def count(*kept)
        bytes, full =
          @lock.synchronize do
            kept.sum { |value| weight(value) }.then { |found| [found, (@bytes += found) > MOST_BYTES] }
          end
        forget if full
        bytes
      end

      # So many bytes are held no longer.
      def released(bytes) = @lock.synchronize { @bytes = [@bytes - bytes, 0].max }

      private

      def weight(value)
        case value
        when Symbol, Numeric, nil, true, false
          PLACE_BYTES / 5
        when Numo::NArray
          value.byte_size
        when String
          value.bytesize + PLACE_BYTES
        when Hash
          value.sum(PLACE_BYTES) { |key, own| weight(key) + weight(own) }
        when Array, Struct
          value.sum(PLACE_BYTES) { |own| weight(own) }
        else
          object_weight(value)
        end
      end

      def object_weight(value)
        return PLAIN_BYTES unless value.respond_to?(:held_bytes)
        return 0 if @seen[value]

        @seen[value] = true
        value.held_bytes
      end
    end

    # most: how many it holds. In two halves: what is asked for in the old one moves to the new one, and when that is
    # full, what is left of the old one goes.
    # A hit in the new one writes nothing, which the collector of garbage would have to look through each time.
    def initialize(most)
      @half = most / 2
      @lock = Mutex.new
      forget
      Cache.added(self)
    end

    # What is held for a key, else what the block makes of it (not nil). Keys are told apart as a Hash does: plain data
    # by what it says, other values by being themselves.
    def of(key) = found(key) || keep(key, yield)

    # What is held for a key, or nil.
    def found(key)
      @lock.synchronize { @new[key] || @old.delete(key)&.tap { |value| put(key, value) } }
    end

    # Holds a value (not nil) for a key; gives it back.
    def keep(key, value)
      bytes = Cache.count(key, value)
      gone = @lock.synchronize { put(key, value, bytes) }
      Cache.released(gone) if gone.positive?
      value
    end

    def size = @new.size + @old.size

    def forget
      @lock.synchronize do
        @new, @old = {}, {}
        @new_bytes = @old_bytes = 0
      end
    end

    private

    # Bytes that went with what is left of the old half, where that goes.
    def put(key, value, bytes = 0)
      gone = 0
      if @new.size >= @half
        gone = @old_bytes
        @new, @old = {}, @new
        @new_bytes, @old_bytes = 0, @new_bytes
      end
      @new[key] = value
      @new_bytes += bytes
      gone
    end
  end
end
