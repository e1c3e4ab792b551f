# frozen_string_literal: true

module MossyAnvil
  module Server
    module Process
      # The local network as the shop is opened to it: certificates, and the settings its processes are given.
      class LanAccess
        attr_reader :port

        # What the server reads; the authority's key is not among it.
        READ = %w[authority.crt server.crt server.key].freeze

        # state: StateFolder. port: HTTPS is served on.
        def initialize(state, port:, now:)
          @port = port
          @folder = state.lan
          @certificates = Certificates.new(@folder, now: now)
          @certificates.make
          @secret = ENV.fetch("SESSION_SECRET") { @certificates.secret }
        end

        # For Network.given and the web server, which reads its certificates in that folder.
        def settings(folder = @folder)
          {
            "LAN_PORT" => @port.to_s,
            "LAN_CERTIFICATES" => folder,
            "LAN_ADDRESS" => address,
            "LAN_HOSTS" => [*@certificates.hosts, *ENV.fetch("LAN_HOSTS", "").split(",")].join(","),
            "SESSION_SECRET" => @secret
          }
        end

        # By its number rather than by its name, which not every device can look up.
        def address
          name = Certificates.own_addresses.first || @certificates.hosts.first
          "https://#{name}:#{@port}"
        end

        # Puts copies of what the server reads into a folder of its account's: it reaches nothing else of the network's.
        def lay_out(folder, account)
          READ.each do |name|
            copy = File.join(folder, name)
            FileUtils.cp(File.join(@folder, name), copy, preserve: true)
            account.give(copy)
          end
        end

        # What is opened.
        def words
          network = Network.given(settings)
          [
            "On the local network, over HTTPS, to people who log in: #{address}",
            "  (port #{@port} of this machine is open to whoever reaches it; the firewall is yours)",
            "  The shop's own authority, to be compared on each device: #{network.fingerprint}"
          ]
        end
      end
    end
  end
end
