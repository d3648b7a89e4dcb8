# frozen_string_literal: true

module SteadyMove
  module Desk
    module Mail
      # What a message is read against: the names that are held, who is known to write about them,
      # how the mailbox's own server calls itself, which mailboxes are ours. Looked up once for each
      # part of a mailbox.
      class MailContext
        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # [DomainName].
        def held = @held ||= @ports.names.all.map { |r| Core::Names::DomainName.held(r[:name]) }

        # What is known of the server of the mailbox that a message lies in (Inbox), or of all of
        # them where it was dropped in: {ids:, trusting:}. Nobody vouches for a file, nor for a
        # server that lets others write in its name.
        def server(place)
          boxes = @boxes ||= @ports.inboxes.all
          own = place && boxes.find { |box| box.id == place.mailbox }
          return { ids: [], trusting: false } if own&.found == MailboxTrial::BELIEVED
          return { ids: own.ids, trusting: own.trusting } if own

          { ids: boxes.flat_map(&:ids).uniq, trusting: false }
        end

        # Does somebody write whom we know: from a domain of an account, its privacy service, or a
        # registry?
        def known?(address)
          Core::Post::Writers.writes?(senders([]), address)
        end

        # Whom the desk itself writes as.
        def own_logins = @own_logins ||= @ports.inboxes.all.map { |box| box.endpoint[:login] }

        # Domains that whoever holds the names, or holds them soon, is known to write from:
        # accounts, their privacy services, registries. Where no name is told, all of them.
        def senders(names)
          return all_senders if names.empty?

          mine = holders(names)
          domains(accounts.select { |a| mine.include?(a.id) })
        end

        private

        def places = @places ||= @ports.settings.places
        def accounts = @accounts ||= @ports.accounts.all
        def all_senders = @all_senders ||= domains(accounts)
        def domains(list) =
          list.flat_map { |a| Common::Parties.writers(a) }.uniq + places.registries

        def holders(names)
          names
            .flat_map do |n|
              move = @ports.moves.of_name(n.ascii).first
              [@ports.names.find(n.ascii)&.fetch(:account_id), move&.from_account, move&.to_account]
            end
            .compact
            .uniq
        end
      end
    end
  end
end
