# frozen_string_literal: true

module MossyAnvil
  module Server
    module Process
      # Telling processes to stop, and waiting for them to. Whoever includes it says what time it is (now, seconds).
      module Telling
        private

        # Is it gone by then?
        def gone_by?(pid, deadline)
          until (gone = ::Process.waitpid(pid, ::Process::WNOHANG)) || now > deadline
            sleep 0.05
          end
          gone
        rescue Errno::ECHILD
          true
        end

        # False where there is nobody to tell.
        def tell(pid, signal)
          ::Process.kill(signal, pid)
        rescue Errno::ESRCH
          false
        end
      end
    end
  end
end
