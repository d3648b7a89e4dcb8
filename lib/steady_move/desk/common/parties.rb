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
          domain = Core::Names::HostName.ascii(from.to_s.rpartition("@").last)
          sides =
            {
              "gaining" => ports.accounts.find(move.to_account),
              "losing" => ports.accounts.find(move.from_account)
            }.select { |_, account| account && writes?(domains(account), domain) }.keys
          sides << "registry" if writes?(ports.settings.places.registries, domain)
          sides.first if sides.size == 1
        end

        # Does an account write from this address?
        def writes_for?(account, from)
          writes?(domains(account), Core::Names::HostName.ascii(from.to_s.rpartition("@").last))
        end

        # Domains that an account is known to write from: its own, its support's, its pages', its
        # privacy service's.
        def domains(account)
          service = account.privacy_service || {}
          pages = [account.habits["site"], service["site"]].map { |url| url.to_s[HOST, 1] }
          [
            *account.sender_domains,
            account.habits["support"]&.rpartition("@")&.last,
            service["writes_from"],
            *pages
          ].compact.uniq
        end

        def writes?(domains, domain)
          !domain.nil? &&
            domains.any? { |d| domain == d.downcase || domain.end_with?(".#{d.downcase}") }
        end
        private_class_method :writes?
      end
    end
  end
end
