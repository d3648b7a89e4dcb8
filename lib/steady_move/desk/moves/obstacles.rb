# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      # Why a plan to an account would refuse a name, beyond what its verdict says: told on the
      # name, before.
      class Obstacles
        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # to: account id, or nil for the usual destination. Returns sentences.
        def list(name, to: nil)
          account = @ports.accounts.find(to || Accounts::Destinations.usual(@ports)) or return []
          judged = Portfolio::Judging.new(@ports).one(name, to: account.id)
          return [] if judged.nil? || judged.move || account.id == judged.account.id

          bare = Common::Refusals.new(judged, account, nil)
          carried = judged.needs_carry? ? hosts(judged, account) : []
          (bare.all - bare.of_host - bare.not_known) + carried -
            judged.verdict.findings.map(&:because)
        end

        private

        # Where the records have to be carried: why no DNS host here could take them; nothing where
        # one could.
        def hosts(judged, account)
          told = @ports.accounts.hosts.map { |h| Common::Refusals.new(judged, account, h).of_host }
          told.any?(&:empty?) ? [] : told.flatten.uniq
        end
      end
    end
  end
end
