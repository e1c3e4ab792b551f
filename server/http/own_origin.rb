# frozen_string_literal: true

module MossyAnvil
  module Server
    module Http
      # Lets nothing be changed at the bidding of a page from elsewhere: a browser names the page's origin, which must
      # be the host asked.
      # Programs that name no origin (a script of the shop's own) may.
      class OwnOrigin
        SAFE = %w[GET HEAD OPTIONS].freeze

        def initialize(app)
          @app = app
        end

        def call(env)
          return @app.call(env) if SAFE.include?(env["REQUEST_METHOD"]) || own?(env)

          Refusal.of(Problems.elsewhere, env)
        end

        private

        def own?(env)
          return false if env["HTTP_SEC_FETCH_SITE"] && !%w[same-origin none].include?(env["HTTP_SEC_FETCH_SITE"])

          origin = env["HTTP_ORIGIN"] or return true
          %w[http https].any? { |scheme| origin == "#{scheme}://#{env["HTTP_HOST"]}" }
        end
      end
    end
  end
end
