# frozen_string_literal: true

module SteadyMove
  module Desk
    module Common
      # Which side of a move an address writes for.
      module Parties
        HOST = %r{\Ahttps?://([^/:?#]+)}i

        module_function

        # from: an e-mail address; move: Store::Moves::Move. Returns gaining, losing or registry;
        # nil where it is none of them, or could be two.
        def both(ports, from, move)
          ports = Ports.of(ports)
          sides =
            {
              "gaining" => ports.accounts.find(move.to_account),
              "losing" => ports.accounts.find(move.from_account)
            }.select { |_, account| account && writes_for?(account, from) }.keys
          sides << "registry" if Core::Post::Writers.writes?(ports.settings.places.registries, from)
          sides.first if sides.size == 1
        end

        # Does an account write from this address?
        def writes_for?(account, from) = Core::Post::Writers.writes?(writers(account), from)

        # Whom an account is known to write from (Writers): its own domains, its support, the hosts
        # of its pages, its privacy service.
        def writers(account)
          service = account.privacy_service || {}
          pages = [account.habits["site"], service["site"]].map { |url| url.to_s[HOST, 1] }
          [
            *account.sender_domains,
            account.habits["support"]&.then { |a| Core::Post::Writers.entry(a) },
            service["writes_from"],
            *pages
          ].compact.uniq
        end
      end
    end
  end
end
