# frozen_string_literal: true

require "fiddle"

module MossyAnvil
  module Server
    # What a process holds that works on many blanks, one after another.
    module HeldMemory
      MOST_BYTES = 250_000_000
      PAGE_BYTES = 4096
      # Of the C library: to the system with what its allocator keeps for later.
      TRIM = Fiddle::Function.new(Fiddle::Handle::DEFAULT["malloc_trim"], [Fiddle::TYPE_SIZE_T], Fiddle::TYPE_INT)

      module_function

      def bytes = File.read("/proc/self/statm").split[1].to_i * PAGE_BYTES

      # Lets go of what is only remembered where there is too much.
      def ease
        return if bytes < MOST_BYTES

        MossyAnvil::Cache.forget
        give_back
      end

      # Gives back what is held for nothing: what nobody refers to any more, and what is kept for the next array.
      def give_back
        GC.start
        TRIM.call(0)
      end
    end
  end
end
