# frozen_string_literal: true

require "rack/protection"

module SteadyMove
  module Web
    # Refuses changing requests without the session's token in X-CSRF-Token.
    class CsrfGuard < Rack::Protection::AuthenticityToken
      # Of the session.
      COOKIE = "steady_move"

      # A program's token is no cookie: no page of another site can have a browser send it. Whoever
      # shows a session as well is a browser. Whoever leaves is never refused: SameSite=Strict keeps
      # other sites from doing it for them.
      def accepts?(env)
        return true if env["PATH_INFO"] == "/api/sign-out"

        program = env["HTTP_AUTHORIZATION"].to_s.match?(/\ABearer /i)
        (program && !cookie?(env)) || super
      end

      def cookie?(env) = Rack::Utils.parse_cookies(env).key?(COOKIE)

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
