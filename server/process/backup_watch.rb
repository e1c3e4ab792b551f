# frozen_string_literal: true

module MossyAnvil
  module Server
    module Process
      # Looks now and then whether a backup is due.
      class BackupWatch
        # So often; one that failed is tried again then. First a moment after the start.
        EVERY_S, FIRST_S = 600, 2

        # folder: Services::BackupFolder. clock: gives seconds that only go on.
        def initialize(folder, clock)
          @folder = folder
          @clock = clock
          @look_at = clock.call + FIRST_S
        end

        def path = @folder.path

        # At most once in a while.
        def due?(time)
          return false if @clock.call < @look_at

          @look_at = @clock.call + EVERY_S
          @folder.due?(time)
        end
      end
    end
  end
end
