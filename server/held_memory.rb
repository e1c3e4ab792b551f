# frozen_string_literal: true

module MossyAnvil
  module Server
    # What a process holds that works on many blanks, one after another.
    module HeldMemory
      MOST_BYTES = 250_000_000
      PAGE_BYTES = 4096

      module_function

      def bytes = File.read("/proc/self/statm").split[1].to_i * PAGE_BYTES

      # Lets go of what is only remembered where there is too much.
      def ease
        return if bytes < MOST_BYTES

        MossyAnvil::Cache.forget
        GC.start
      end
    end
  end
end
