# frozen_string_literal: true

require "rack/protection"

module MossyAnvil
  module Server
    module Http
      # Where people log in, nothing is changed but by whoever was given this session's token by the server's own page
      # (GET /api/session), whatever a browser says of where a request comes from.
      class OwnToken < Rack::Protection::AuthenticityToken
        # For a session; masked anew each time.
        def self.for(env) = token(env["rack.session"])

        default_options(reaction: :deny)

        # Tells a page of the shop's own that its token has run out with its session.
        def deny(env) = Refusal.of(Problems.elsewhere, env, "x-token" => "stale")
      end
    end
  end
end
