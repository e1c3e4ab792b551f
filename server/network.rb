# frozen_string_literal: true

require "openssl"

module MossyAnvil
  module Server
    # How the shop is reached beyond this machine; then everybody logs in.
    # secret: what sessions are sealed with, 64 bytes or more, the same on all hosts. hosts: names and addresses it is
    # asked by. address: where a device of the shop's network finds it. folder: that of the certificates, nil where
    # something else speaks HTTPS for it.
    Network =
      Struct.new(:secret, :hosts, :address, :folder, keyword_init: true) do
        # As the settings of a process say; nil where nothing but this machine is served.
        def self.given(settings)
          address = settings["LAN_ADDRESS"] or return
          new(
            secret: settings.fetch("SESSION_SECRET"),
            hosts: settings.fetch("LAN_HOSTS").split(","),
            address: address,
            folder: settings["LAN_CERTIFICATES"]
          )
        end

        # The certificate of the shop's own authority (PEM), to be installed on a device; nil without one.
        def authority = folder && File.read(File.join(folder, "authority.crt"))

        # Its SHA-256 in pairs, to be compared by eye; nil without one.
        def fingerprint =
          authority&.then do |pem|
            OpenSSL::Digest::SHA256.hexdigest(OpenSSL::X509::Certificate.new(pem).to_der).upcase.scan(/../).join(":")
          end
      end
    Network::LEAST_SECRET_BYTES = 64
  end
end
