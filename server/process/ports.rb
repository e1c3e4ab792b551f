# frozen_string_literal: true

require "socket"

module MossyAnvil
  module Server
    module Process
      # The ports the application is to be reached by on this machine.
      module Ports
        DEFAULT = 4380

        module_function

        # The one that was chosen or, without one, the first that is free. say: told where that is not the usual one.
        def chosen(say)
          wanted = ENV.fetch("PORT", nil)
          return free_from(DEFAULT, say) unless wanted

          port = number("PORT", wanted)
          if port < lowest_port
            abort(
              "Port #{port} is for root alone, and the server does not run as root. Choose one from #{lowest_port} on with PORT=."
            )
          end
          unless free?(port)
            abort("Port #{port} is taken. Choose another with PORT=, or leave PORT out to get a free one.")
          end
          port
        end

        # The one a setting names, nil where it does not; ends with a message where it is none.
        def given(name) = ENV.fetch(name, nil)&.then { |text| number(name, text) }

        # The number of a port; ends with a message where it is none.
        def number(name, given)
          port = Integer(given, 10, exception: false)
          return port if port&.between?(1, 65_535)

          abort("#{name} is #{given.inspect}: a whole number from 1 to 65535 is needed")
        end

        # Below it a port takes rights that the server does not have.
        def lowest_port
          Integer(File.read("/proc/sys/net/ipv4/ip_unprivileged_port_start"))
        rescue Errno::ENOENT
          1024
        end

        def free_from(port, say)
          found = (port..(port + 50)).find { |candidate| free?(candidate) } or
            abort("No free port from #{port} to #{port + 50}. Choose one with PORT=.")
          say.call("Port #{port} is taken; using #{found}") if found != port
          found
        end

        def free?(port)
          TCPServer.open("127.0.0.1", port).close
          true
        rescue Errno::EADDRINUSE, Errno::EACCES
          false
        end
        private_class_method :number, :lowest_port, :free?
      end
    end
  end
end
