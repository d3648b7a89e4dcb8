# frozen_string_literal: true

require "rack/protection"

module SteadyMove
  module Web
    # Refuses changing requests without the session's token in X-CSRF-Token.
    class CsrfGuard < Rack::Protection::AuthenticityToken
      def deny(env)
        env["steady_move.refused"] = :old_token
        [403, { "content-type" => "application/problem+json" }, [Problem.say(403, :old_token).to_json]]
      end
      default_reaction :deny
    end
  end
end
