# frozen_string_literal: true

require "rqrcode"

module MossyAnvil
  module Server
    module Routes
      # Who is in, on what; the devices that are paired with the shop, and passwords.
      module Devices
        LOG_INS_SHOWN = 100
        DEVICE_S = 400 * 86_400

        def self.registered(app)
          sessions(app)
          passwords(app)
          pairing(app)
          devices(app)
        end

        def self.sessions(app)
          app.get("/api/session") { answer(Devices.session(self)) }
          app.post("/api/session/end") do
            Devices.leave(self, everywhere: body_as("Leaving")["everywhere"])
            answer(Devices.session(self))
          end
          app.get("/api/log-ins") { answer(log_ins: log_ins.record(LOG_INS_SHOWN)) }
        end

        def self.passwords(app)
          app.put("/api/people/:id/password") do
            Devices.set_password(self, person_id, body_as("NewPassword"))
            answer(people: people.all)
          end
          app.get("/authority.crt") do
            pem = settings.network&.authority or halt(404)
            hand_over("mossy-anvil-authority.crt", "application/x-x509-ca-cert", pem)
          end
        end

        def self.pairing(app)
          app.post("/api/pairings") do
            network = settings.network or problem(Problems.not_on_a_network)
            person = body_as("NewPairing")["person_id"] || asking.id
            Devices.own_or_owner(self, person)
            answer(Devices.offer(network, devices.code(person, now), now), 201)
          end
          app.post("/api/pairings/use") do
            asked = body_as("UsedPairing")
            token = devices.pair(asked["code"], asked["name"], now) or Devices.refuse_code
            Devices.give(self, token)
            answer({}, 201)
          end
        end

        def self.devices(app)
          app.get("/api/devices") { answer(devices: Devices.shown(self)) }
          app.post("/api/devices") do
            problem(Problems.not_on_a_network) unless asking.id
            Devices.give(self, devices.add(asking.id, body_as("NewDevice")["name"], now))
            answer({ devices: Devices.shown(self) }, 201)
          end
          app.delete("/api/devices/:id") do
            devices.revoke(device_id, now, person_id: asking.may?("owner") ? nil : asking.id)
            answer(devices: Devices.shown(self))
          end
        end

        # An owner sees them all.
        def self.shown(app) = app.devices.all(person_id: app.asking.may?("owner") ? nil : app.asking.id)

        def self.session(app)
          network = app.settings.network
          caller = app.env[Caller::KEY]
          {
            log_in: !network.nil?,
            person: caller&.id && caller.to_h.slice(:id, :name, :role),
            device: caller&.device,
            codes: !caller&.id.nil? && app.log_ins.codes?(caller.id),
            code_wanted: code_wanted?(app.env[Http::LogIn::RODAUTH]),
            csrf: network && Http::OwnToken.for(app.env),
            address: network&.address,
            fingerprint: network&.fingerprint
          }
        end

        # Was the password right, and is a one-time code still to come?
        def self.code_wanted?(rodauth) = !rodauth.nil? && !!rodauth.logged_in? && !rodauth.authenticated?

        # A code as words, as an address and as a picture to scan.
        def self.offer(network, words, now)
          address = "#{network.address}/pair#code=#{words.tr(" ", "-")}"
          picture = RQRCode::QRCode.new(address).as_svg(module_size: 4, use_path: true, viewbox: true)
          {
            code: words,
            address: address,
            picture: picture,
            fingerprint: network.fingerprint,
            ends_at: (now + Store::Devices::CODE_S).utc.iso8601
          }
        end

        def self.give(app, token)
          app.response.set_cookie(
            Http::Admission::DEVICE,
            value: token,
            path: "/",
            httponly: true,
            same_site: :strict,
            max_age: DEVICE_S
          )
        end

        # Ends this session, and this device's token; or all of this person's.
        def self.leave(app, everywhere:)
          caller = app.env[Caller::KEY]
          if caller&.id
            everywhere ? app.log_ins.end_all(caller.id, app.now) : leave_here(app, caller)
            app.log_ins.note(caller.id, everywhere ? "logout everywhere" : "logout")
          end
          app.env[Caller::KEY] = nil if app.settings.network
          app.env["rack.session"]&.clear
          app.response.delete_cookie(Http::Admission::DEVICE, path: "/")
        end

        def self.leave_here(app, caller)
          app.devices.revoke(caller.device, app.now) if caller.device
          rodauth = app.env[Http::LogIn::RODAUTH]
          rodauth.remove_current_session if rodauth&.logged_in?
        end

        # One's own by the old one, where there is one; another's by an owner.
        def self.set_password(app, person_id, asked)
          own_or_owner(app, person_id)
          own = app.asking.id == person_id
          check_password(app, asked["old"], at: "/old") if own
          app.log_ins.set_password(person_id, asked["password"], app.now)
          # Whoever has lost what makes the codes too is let in by the new password alone.
          app.log_ins.use_codes(person_id, nil) unless own
        end

        # One's own.
        def self.check_password(app, password, at:)
          return if app.asking.id && app.log_ins.password?(app.asking.id, password)

          refuse(at, "is_not_your_password", "your_password_as_it_is")
        end

        def self.own_or_owner(app, person_id)
          return if app.asking.id == person_id || app.asking.may?("owner")
          raise NotAllowed, Problems.text("not_allowed.for_others")
        end

        def self.refuse_code = refuse("/code", "is_no_code_or_over", "a_code_shown_at_the_desk")

        def self.refuse(path, problem, allowed)
          fault =
            MossyAnvil::Fault.new(
              path: path,
              problem: MossyAnvil::Fault.t(problem),
              allowed: MossyAnvil::Fault.t(allowed)
            )
          raise MossyAnvil::InvalidInput, [fault]
        end
        private_class_method :leave_here
      end
    end
  end
end
