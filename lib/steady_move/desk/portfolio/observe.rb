# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # Looks a name up everywhere and keeps what was learnt as facts with source and age.
      class Observe
        Fact = Core::Readiness::Fact

        # What one look brought: the sources that answered, and a sentence for each that did not;
        # unserved: no public record service is known for the suffix; absent: the registry or the
        # account does not know the name; pause: seconds for which a source that is busy wants to be
        # left alone.
        Seen = Struct.new(:sources, :problems, :unserved, :absent, :pause, keyword_init: true)

        # How long before landing an order may have been taken (rules of the job §5: ten days at
        # most).
        ORDERED_BEFORE = 10 * 86_400

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # name: DomainName; account: Store::Accounts::Account that holds it. Never raises for the
        # outside's faults.
        def name(name, account)
          problems = []
          @absent = @pause = @transfer = nil
          said =
            attempt(problems, account.title) do
              from_account(name, account) if account.kind == "epp"
            end
          held = said&.find { |f| f.key == :registrant_email }&.value
          public_record =
            attempt(problems, Words.say(:"sources.the_record")) do
              from_public_record(name, account, held)
            end
          facts = [said, public_record].compact.flatten
          dns = about_dns(facts, account)
          Accounts::HostFacts.forget(@ports, name.ascii) if dns.empty? && facts.any?
          facts += dns
          facts += about_registrar(name, facts, account)
          before = @ports.names.told(name.ascii, :public_record)
          @ports.names.learn(name.ascii, facts) if facts.any?
          RecordChanges.tell(@ports, name.ascii, before, facts) if @ports.names.find(name.ascii)
          tell_strays(name, account, facts)
          Seen.new(
            sources: facts.map(&:source).uniq,
            problems: problems,
            unserved: !@ports.rdap.serves?(name),
            absent: @absent,
            pause: @pause
          )
        end

        private

        def tell_strays(name, account, facts)
          said = facts.select { |f| f.key == :statuses }.to_h { |f| [f.source, f.value] }
          look =
            Look.new(account: said[:account], record: said[:public_record], transfer: @transfer)
          @ports.looked.call(name.ascii, account, look) if @ports.names.find(name.ascii)
        end

        def attempt(problems, who)
          yield
        rescue Wire::Error => e
          @absent = true if e.is_a?(Wire::Refused)
          @pause = e.retry_after || DeferredLookups::EVERY if e.is_a?(Wire::Busy)
          problems << Words.say(:"observe.problem", who: who, says: e.says)
          nil
        end

        def from_account(name, account)
          said = @ports.epp.with(account) { |client| asked(client, name) }
          data, registrant, admin, ends = said.values_at(:data, :registrant, :admin, :ends)
          facts(
            :account,
            Words.say(:"sources.epp_info", at: account.title),
            **common(data),
            transfer_ends_at: ends&.act_at,
            registrant_email: registrant&.email,
            registrant_changed_at: registrant && changed(registrant, data),
            registrant_contact: fields(registrant),
            admin_contact: fields(admin),
            admin_email: admin&.email
          )
        end

        # The name, its contacts and the deadline of a transfer under way, over one connection.
        def asked(client, name)
          data = client.request(command(:info, name: name.ascii)).data
          registrant = contact(client, data.registrant)
          {
            data: data,
            registrant: registrant,
            admin: data.admin == data.registrant ? registrant : contact(client, data.admin),
            ends: (pending_until(client, name) if data.statuses.include?("pendingTransfer"))
          }
        end

        def common(data)
          {
            registered: true,
            statuses: data.statuses,
            expires_at: data.expires_at,
            created_at: data.created_at,
            transferred_at: data.transferred_at,
            name_servers: data.name_servers
          }
        end

        def command(kind, **rest)
          Wire::Epp::Commands.public_send(kind, **rest, id: "look-#{@ports.random.rand(10**9)}")
        end

        # A contact by its id; nil where the account doesn't show it.
        def contact(client, id)
          id && client.request(command(:contact_info, contact: id)).data
        rescue Wire::Refused
          nil
        end

        def fields(contact)
          contact &&
            {
              "id" => contact.id,
              "name" => contact.name,
              "org" => contact.organization,
              "street" => contact.street,
              "city" => contact.city,
              "country" => contact.country,
              "voice" => contact.voice,
              "email" => contact.email
            }.compact
        end

        # A transfer under way as the account knows it: TransferInfo.
        def pending_until(client, name)
          @transfer = client.request(command(:transfer, op: "query", name: name.ascii)).data
        rescue Wire::Refused
          nil
        end

        # When the registrant was last changed: the contact's last change, or, where another contact
        # took its place later, that one's making. Where neither is: since it was made.
        def changed(contact, data)
          if contact.created_at && data.created_at && contact.created_at > data.created_at + 86_400
            later = contact.created_at
          end
          moved = data.transferred_at
          [contact.changed_at, later].compact.reject { |t| moved && by_moving?(t, moved) }.max ||
            contact.created_at
        end

        # A gaining side makes its contact object when it takes the order, and may touch it when the
        # name lands.
        def by_moving?(time, moved) = time.between?(moved - ORDERED_BEFORE, moved + 86_400)

        # A name that the public record doesn't know is a fact as well.
        # held: the registrant's e-mail as the account has it, or nil.
        def from_public_record(name, account, held)
          data = @ports.rdap.domain(name)
          hidden = privacy(data.registrant_email, account, held)
          facts(
            :public_record,
            data.url,
            **common(data),
            **(hidden ? {} : shown(data, account)),
            privacy: hidden,
            registrar: data.registrar,
            registrar_id: data.registrar_id,
            public_email: data.registrant_email,
            signed: data.signed.nil? ? signed_at_parent(name) : data.signed,
            redacted: (data.redacted if data.redacted.any?)
          )
        rescue Wire::Rdap::NotFound
          raise if @ports.names.find(name.ascii).nil?

          facts(:public_record, Words.say(:"sources.rdap_404"), registered: false)
        end

        # Where no privacy service stands in, the public record shows whom the account itself doesn't.
        def shown(data, account)
          if account.kind == "epp"
            {}
          else
            { registrant_email: data.registrant_email, admin_email: data.admin_email }.compact
          end
        end

        # The service that stands in for the registrant, known by its mail domain; false where none
        # does, also where the public record shows the very address that the account has; nil where
        # that can't be told.
        def privacy(email, account, held)
          return if email.to_s.empty?
          return false if email.casecmp?(held.to_s)
          return if account.habits["privacy"].nil?

          account.stands_in?(email) && account.habits["privacy"]
        end

        # Where the public record doesn't say whether the delegation is signed, the parent's own
        # server does (RFC 4035 §3.1.4.1: it holds the DS set). nil where it can't be asked, too.
        def signed_at_parent(name)
          Common::Zones.new(@ports).signed(name)
        rescue Wire::Error
          nil
        end

        # What registrar the record names, where that is not the account's; false where it is the
        # same.
        def about_registrar(name, facts, account)
          return [] if facts.empty?

          told = facts.select { |f| f.source == :public_record }.to_h { |f| [f.key, f.value] }
          shown, number = told.values_at(:registrar, :registrar_id)
          same =
            Core::Readiness::Registrars.any_same?(
              account.public_names,
              account.habits["registrar_id"],
              { name: shown, number: number }
            )
          return @ports.names.facts(name.ascii).about(:other_registrar) if same.nil?

          facts(
            :desk,
            Words.say(:"sources.accounts"),
            other_registrar: same ? false : [shown, number].compact.join(", no. ")
          )
        end

        def about_dns(facts, account)
          servers = facts.find { |f| f.key == :name_servers }&.value or return []
          Accounts::HostFacts.of(@ports, servers, account)
        end

        def facts(source, ref, **values)
          values.compact.map do |key, value|
            Fact.new(key: key, value: value, source: source, seen_at: @ports.now, ref: ref)
          end
        end
      end
    end
  end
end
