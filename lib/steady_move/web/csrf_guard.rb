# frozen_string_literal: true

require "rack/protection"

module SteadyMove
  module Web
    # Refuses changing requests without the session's token in X-CSRF-Token.
    class CsrfGuard < Rack::Protection::AuthenticityToken
      def deny(_env)
        problem = Problem.new(403, "The page's security token is missing or old; load the page again.")
        [403, { "content-type" => "application/problem+json" }, [problem.to_json]]
      end
      default_reaction :deny
    end
  end
end
