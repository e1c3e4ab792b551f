# frozen_string_literal: true

require "rotp"
require "rqrcode"

module MossyAnvil
  module Server
    module Routes
      # One-time codes beside one's own password: set up, and done without again. Asked for at log-in by Rodauth.
      module OneTimeCodes
        ISSUER = "Mossy Anvil"
        # Clocks may differ by so much, s.
        DRIFT_S = 30

        def self.registered(app)
          app.post("/api/one-time-codes") do
            problem(Problems.not_on_a_network) unless asking.id
            answer(OneTimeCodes.offer(asking.name), 201)
          end
          app.put("/api/one-time-codes") do
            body = body_as("NewOneTimeCodes")
            OneTimeCodes.check(self, body)
            log_ins.use_codes(asking.id, body["secret"])
            answer(Devices.session(self))
          end
          app.post("/api/one-time-codes/off") do
            Devices.check_password(self, body_as("OwnPassword")["password"], at: "/password")
            log_ins.use_codes(asking.id, nil)
            answer(Devices.session(self))
          end
        end

        # A secret for an app that makes codes; nothing is kept of it yet.
        def self.offer(name)
          secret = ROTP::Base32.random
          address = ROTP::TOTP.new(secret, issuer: ISSUER).provisioning_uri(name)
          picture = RQRCode::QRCode.new(address).as_svg(module_size: 4, use_path: true, viewbox: true)
          { secret: secret, picture: picture }
        end

        # By one's own password, and a code that shows that the app has the secret.
        def self.check(app, body)
          Devices.check_password(app, body["password"], at: "/password")
          return if ROTP::TOTP.new(body["secret"]).verify(body["code"], drift_behind: DRIFT_S, at: app.now)

          Devices.refuse("/code", "is_not_the_code", "the_code_shown_now")
        end
      end
    end
  end
end
