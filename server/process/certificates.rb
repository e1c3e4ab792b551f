# frozen_string_literal: true

require "ipaddr"
require "openssl"
require "socket"

module MossyAnvil
  module Server
    module Process
      # The certificates by which the shop's devices know this machine: one authority of the shop's own, made once, and
      # by it one for this machine, made anew where its names or addresses changed or its time runs out.
      # The authority can speak for nothing but a network of one's own: for private addresses, this machine's name and
      # names that end in .local. So whoever installs it lends it no more than that.
      class Certificates
        AUTHORITY_DAYS = 3650
        # No browser takes one that holds for longer than 398 days.
        DAYS = 397
        RENEW_DAYS = 30
        DAY_S = 86_400
        PRIVATE = %w[
          127.0.0.0/255.0.0.0
          10.0.0.0/255.0.0.0
          172.16.0.0/255.240.0.0
          192.168.0.0/255.255.0.0
          169.254.0.0/255.255.0.0
        ].freeze

        # folder: where they lie. now: Time. Files are readable by their owner alone.
        def initialize(folder, now:, host: Socket.gethostname, addresses: Certificates.own_addresses)
          @folder = folder
          @now = now
          @host = host[/\A[a-zA-Z0-9.-]{1,63}\z/] || "localhost"
          @addresses = addresses
        end

        # Private IPv4 addresses this machine has in its network.
        def self.own_addresses = Socket.ip_address_list.select(&:ipv4_private?).map(&:ip_address).uniq

        # Names and addresses this machine is asked by.
        def hosts = [@host, "#{@host.delete_suffix(".local")}.local", "localhost", "127.0.0.1", *@addresses].uniq

        # Makes what is missing or out of date; the paths of the file of certificates and of the key.
        def make
          FileUtils.mkdir_p(@folder, mode: 0o700)
          make_authority unless authority_good?
          make_own unless own_good?
          [path("server.crt"), path("server.key")]
        end

        # What sessions are sealed with: made once.
        def secret
          FileUtils.mkdir_p(@folder, mode: 0o700)
          write("session.secret", SecureRandom.hex(64)) unless File.exist?(path("session.secret"))
          File.read(path("session.secret"))
        end

        private

        def path(name) = File.join(@folder, name)

        def write(name, text)
          File.open("#{path(name)}.new", File::WRONLY | File::CREAT | File::TRUNC, 0o600) { |file| file.write(text) }
          File.rename("#{path(name)}.new", path(name))
        end

        def certificate(name) = File.exist?(path(name)) ? OpenSSL::X509::Certificate.new(File.read(path(name))) : nil

        def key(name) = OpenSSL::PKey.read(File.read(path(name)))
        def new_key = OpenSSL::PKey::EC.generate("prime256v1")

        def authority_good?
          found = certificate("authority.crt")
          found && found.not_after > @now + (DAYS * DAY_S) && found.check_private_key(key("authority.key"))
        end

        def own_good?
          found = certificate("server.crt")
          found && found.not_after > @now + (RENEW_DAYS * DAY_S) && found.check_private_key(key("server.key")) &&
            found.verify(certificate("authority.crt").public_key) && named(found) == alternative_names
        end

        def named(found) =
          found.extensions.find { |one| one.oid == "subjectAltName" }&.value&.gsub("IP Address:", "IP:")

        def alternative_names = hosts.map { |host| "#{address?(host) ? "IP" : "DNS"}:#{host}" }.join(", ")

        def address?(host)
          IPAddr.new(host) && true
        rescue IPAddr::Error
          false
        end

        def make_authority
          own = new_key
          made = blank_certificate("Mossy Anvil of #{@host}", own, AUTHORITY_DAYS)
          made.issuer = made.subject
          extend_with(
            made,
            made,
            ["basicConstraints", "CA:TRUE,pathlen:0", true],
            ["keyUsage", "keyCertSign,cRLSign", true],
            ["subjectKeyIdentifier", "hash", false],
            ["nameConstraints", constraints, true]
          )
          made.sign(own, "SHA256")
          write("authority.key", own.to_pem)
          write("authority.crt", made.to_pem)
        end

        def constraints =
          [@host, "local", "localhost"].map { |name| "permitted;DNS:#{name}" }
            .concat(PRIVATE.map { |range| "permitted;IP:#{range}" })
            .join(",")

        def make_own
          own = new_key
          authority = certificate("authority.crt")
          made = blank_certificate(@host, own, DAYS)
          made.issuer = authority.subject
          extend_with(
            made,
            authority,
            ["basicConstraints", "CA:FALSE", true],
            ["keyUsage", "digitalSignature", true],
            ["extendedKeyUsage", "serverAuth", false],
            ["authorityKeyIdentifier", "keyid:always", false],
            ["subjectAltName", alternative_names, false]
          )
          made.sign(key("authority.key"), "SHA256")
          write("server.key", own.to_pem)
          write("server.crt", made.to_pem)
        end

        def blank_certificate(name, own, days)
          OpenSSL::X509::Certificate.new.tap do |made|
            made.version = 2
            made.serial = OpenSSL::BN.rand(120)
            made.subject = OpenSSL::X509::Name.new([["CN", name]])
            made.public_key = own
            made.not_before = @now - DAY_S
            made.not_after = @now + (days * DAY_S)
          end
        end

        # parts: [name, value, critical].
        def extend_with(made, issuer, *parts)
          factory = OpenSSL::X509::ExtensionFactory.new
          factory.subject_certificate = made
          factory.issuer_certificate = issuer
          parts.each { |name, value, critical| made.add_extension(factory.create_extension(name, value, critical)) }
        end
      end
    end
  end
end
