# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # What the public record shows of a name (RFC 9083 §5.3).
      class RecordLook
        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # name: DomainName; account: that holds it; held: the registrant's e-mail as the account has
        # it, or nil. Returns Brought: that the record doesn't know a held name is a fact as well.
        # Raises Wire::Error.
        def call(name, account, held)
          data = @ports.rdap.domain(name)
          signed = data.signed.nil? ? signed_at_parent(name) : data.signed
          brought(
            data.url,
            { **of_name(data, signed), **of_people(data, account, held) },
            unseen: signed == :not_told ? %i[signed] : [],
            problems: odd(data)
          )
        rescue Wire::Rdap::NotFound
          raise if @ports.names.find(name.ascii).nil?

          brought(Words.say(:"sources.rdap_404"), { registered: false })
        end

        private

        def brought(ref, values, unseen: [], problems: [])
          facts = Brought.facts(:public_record, ref, @ports.now, values)
          Brought.new(facts: facts, unseen: unseen, problems: problems).freeze
        end

        def odd(data)
          data.odd.to_a.map { |says| Words.say(:"observe.odd_member", says: says) }
        end

        def of_name(data, signed)
          {
            registered: true,
            statuses: data.statuses,
            expires_at: data.expires_at,
            created_at: data.created_at,
            transferred_at: data.transferred_at,
            name_servers: data.name_servers,
            registrar: data.registrar,
            registrar_id: data.registrar_id,
            signed: signed == :not_told ? nil : signed
          }
        end

        def of_people(data, account, held)
          hidden = privacy(data, account, held)
          {
            **(hidden ? {} : shown(data, account)),
            privacy: hidden,
            public_email: data.registrant_email,
            redacted: (data.redacted if data.redacted.to_a.any?)
          }
        end

        # Where no privacy service stands in, the public record shows whom the account itself
        # doesn't.
        def shown(data, account)
          return {} if account.kind == "epp"

          {
            registrant_email: data.registrant_email,
            admin_email: data.admin_email
          }.select { |_, m| m && account.readable?(m, data.name) }
        end

        # The service that stands in for the registrant, by its mail domain; false where none does,
        # also where the public record shows the very address that the account has; nil where that
        # can't be told.
        def privacy(data, account, held)
          email = data.registrant_email
          return if email.to_s.empty?
          return false if email.casecmp?(held.to_s)

          found = account.stands_in(email, data.name)
          found ? email.downcase.rpartition("@").last : found
        end

        # Where the public record doesn't say whether the delegation is signed, the parent's own
        # server does (RFC 4035 §3.1.4.1: it holds the DS set); :not_told where it can't be asked,
        # too.
        def signed_at_parent(name)
          Common::Zones.new(@ports).signed(name)
        rescue Wire::Error
          :not_told
        end
      end
    end
  end
end
