# frozen_string_literal: true

require "rack/session/cookie"
require "roda"
require "rodauth"

module MossyAnvil
  module Server
    module Http
      # Log-in by name and password, by Rodauth: POST /api/log-in with { name, password } and, of whoever has one-time
      # codes, POST /api/one-time-code with { code }. Ten wrong passwords lock a name for a quarter of an hour, five
      # wrong codes until an owner gives a new password. Whatever else is asked is passed on, with Rodauth beside it.
      module LogIn
        # Where a request carries Rodauth.
        RODAUTH = "mossy_anvil.rodauth"
        MOST_BYTES = 4096
        MOST_WRONG = 10
        LOCKED_MINUTES = 15
        # A session ends when nothing was asked by it for so long, and a month after it began.
        IDLE_S = 14 * 3600
        LONGEST_S = 30 * 86_400
        # What Rodauth has ways for and the application its own, or none.
        NOT_SERVED = %i[
          logout_route
          unlock_account_route
          unlock_account_request_route
          otp_setup_route
          otp_disable_route
          two_factor_manage_route
          two_factor_auth_route
          two_factor_disable_route
        ].freeze
        JSON_TYPE = %r{\Aapplication/json\b}i

        module_function

        # The middleware over a database. secret: Network#secret.
        def over(database, secret:)
          Class.new(Roda) do
            plugin(:middleware)
            plugin(
              :json_parser,
              content_type_regexp: JSON_TYPE,
              error_handler: ->(r) { r.halt(Refusal.of(Problems.unreadable(Problems.text("refused.no_json")), r.env)) }
            )
            plugin(:rodauth, json: :only) { LogIn.configure(self, database, secret) }
            route do |r|
              env[RODAUTH] = rodauth
              r.halt(Refusal.of(LogIn.too_long, env)) if LogIn.own?(r) && LogIn.too_long?(env)
              r.rodauth
            end
          end
        end

        def own?(request) = [Guesses::LOG_IN, Guesses::CODE].include?(request.path)

        # How the cookie of a session is sealed and sent (PageHeaders adds Secure where it goes over HTTPS).
        def cookie(secret)
          { key: "mossy_anvil_session", secrets: [secret], same_site: :strict, httponly: true, expire_after: LONGEST_S }
        end

        def configure(rodauth, database, secret)
          rodauth.instance_exec do
            db database
            hmac_secret secret
            enable :login, :logout, :lockout, :active_sessions, :audit_logging, :argon2, :otp, :json
            require_bcrypt? false
            require_mail? false
            # Only mail would name it.
            domain "localhost"
            login_route Guesses::LOG_IN.delete_prefix("/")
            otp_auth_route Guesses::CODE.delete_prefix("/")
            otp_auth_param "code"
            LogIn::NOT_SERVED.each { |route| public_send(route, nil) }
          end
          keep_limits(rodauth)
          keep_in_tables(rodauth)
          answer_as_the_server(rodauth)
        end

        def keep_limits(rodauth)
          rodauth.instance_exec do
            max_invalid_logins MOST_WRONG
            account_lockouts_deadline_interval(minutes: LOCKED_MINUTES)
            session_inactivity_deadline IDLE_S
            session_lifetime_deadline LONGEST_S
          end
        end

        def keep_in_tables(rodauth)
          rodauth.instance_exec do
            accounts_table :people
            otp_keys_use_hmac? false
            login_column :name
            login_param "name"
            skip_status_checks? true
            # Not asked of the database, which may be away while this is set up.
            convert_token_id_to_integer? { true }
            use_database_authentication_functions? false
          end
        end

        def answer_as_the_server(rodauth)
          rodauth.instance_exec do
            # Who is in already may log in as another.
            already_logged_in { nil }
            json_response_content_type { response.status.to_i < 400 ? "application/json" : Problems::TYPE }
            json_response_body { |said| LogIn.told(said, response.status, request.env) }
          end
        end

        # What Rodauth says, as the rest of the server says it.
        def told(said, status, env)
          return "{}" if said.key?("success")

          document = refusal(status, env["PATH_INFO"] == Guesses::CODE)
          JSON.generate({ **document, request_id: env[RequestLog::ID] })
        end

        def refusal(status, code)
          return Problems.locked_out(LOCKED_MINUTES) if status == 403

          code ? Problems.wrong_code : Problems.wrong_password
        end

        # Of no more than this whole program takes, and of a length that is told.
        def too_long?(env) = !env["CONTENT_LENGTH"].to_i.between?(1, MOST_BYTES)
        def too_long = Problems.too_large(Problems.text("refused.at_most_bytes_are_taken_here", most: MOST_BYTES))
      end
    end
  end
end
