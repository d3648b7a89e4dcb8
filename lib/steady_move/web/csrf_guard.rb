# frozen_string_literal: true

require "rack/protection"

module SteadyMove
  module Web
    # Refuses changing requests without the session's token in X-CSRF-Token.
    class CsrfGuard < Rack::Protection::AuthenticityToken
      # A program's token is no cookie: no page of another site can have a browser send it.
      def accepts?(env) = env["HTTP_AUTHORIZATION"].to_s.match?(/\ABearer /i) || super

      def deny(env)
        env["steady_move.refused"] = :old_token
        [
          403,
          { "content-type" => "application/problem+json" },
          [Problem.say(403, :old_token).to_json]
        ]
      end
      default_reaction :deny
    end
  end
end
