# frozen_string_literal: true

module SteadyMove
  module Desk
    # Why a plan to an account would refuse a name, beyond what its verdict says: told on the name,
    # before.
    class Obstacles
      def initialize(app)
        @app = app
      end

      # to: account id, or nil for the usual destination. Returns sentences.
      def of(name, to: nil)
        account = @app.accounts.find(to || Destinations.usual(@app)) or return []
        judged = Judging.new(@app).one(name, to: account.id)
        return [] if judged.nil? || judged.move || account.id == judged.account.id

        bare = Refusals.new(judged, account, nil)
        carried = judged.needs_carry? ? hosts(judged, account) : []
        (bare.all - bare.of_host - bare.not_known) + carried -
          judged.verdict.findings.map(&:because)
      end

      private

      # Where the records have to be carried: why no DNS host here could take them; nothing where
      # one could.
      def hosts(judged, account)
        told = @app.accounts.hosts.map { |h| Refusals.new(judged, account, h).of_host }
        told.any?(&:empty?) ? [] : told.flatten.uniq
      end
    end
  end
end
