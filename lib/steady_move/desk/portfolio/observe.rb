# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # Looks a name up everywhere, keeps what was learnt as facts with source and age, and tells
      # what changed. A look that fails takes nothing away.
      class Observe
        # What one look brought: the sources that answered, and a sentence for each that did not;
        # unserved: no public record service is known for the suffix; absent: the registry or the
        # account does not know the name; pause: seconds for which a source that is busy wants to be
        # left alone; unanswered: a source could not be asked, or not understood.
        Seen =
          Struct.new(
            :sources,
            :problems,
            :unserved,
            :absent,
            :pause,
            :unanswered,
            keyword_init: true
          )

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # name: DomainName; account: Core::Accounts::Account that holds it. Never raises for the
        # outside's faults.
        def name(name, account)
          brought = looks(name, account)
          facts = learn(name, account, brought)
          tell_what_shows(name, account, brought, facts)
          Seen.new(
            sources: facts.map(&:source).uniq,
            problems: brought.flat_map(&:problems),
            unserved: !@ports.rdap.serves?(name),
            absent: brought.any?(&:absent) || nil,
            pause: brought.filter_map(&:pause).last,
            unanswered: brought.any?(&:unanswered?)
          )
        end

        private

        # Returns [Brought], of the account first.
        def looks(name, account)
          of_account =
            if account.kind == "epp"
              attempt(account.title) { AccountLook.new(@ports).call(name, account) }
            else
              Brought.nothing
            end
          held = of_account.facts.find { |f| f.key == :registrant_email }&.value
          of_record =
            attempt(Words.say(:"sources.the_record")) do
              RecordLook.new(@ports).call(name, account, held)
            end
          [of_account, of_record]
        end

        def attempt(who)
          yield
        rescue Wire::Error => e
          Brought.nothing(
            problems: [Words.say(:"observe.problem", who: who, says: e.says)],
            absent: e.is_a?(Wire::Refused),
            pause: e.is_a?(Wire::Busy) ? e.retry_after || DeferredLookups::EVERY : nil
          )
        end

        # Keeps what was brought, with what follows from it. Returns [Fact].
        def learn(name, account, brought)
          facts = brought.flat_map { |b| b.facts + kept(name, b) }
          return [] if facts.empty?

          servers = facts.find { |f| f.key == :name_servers }&.value
          dns = servers ? Accounts::HostFacts.collect(@ports, servers, account) : []
          Accounts::HostFacts.forget(@ports, name.ascii) if dns.empty?
          facts += dns + about_registrar(name, facts + dns, account)
          before = @ports.names.told(name.ascii, :public_record)
          @ports.names.learn(name.ascii, facts)
          RecordChanges.tell(@ports, name.ascii, before, facts) if @ports.names.find(name.ascii)
          facts
        end

        # What a source said before of that which it could not be asked for this time.
        def kept(name, brought)
          return [] if brought.unseen.empty? || brought.facts.empty?

          source = brought.facts.first.source
          before = @ports.names.facts(name.ascii)
          brought.unseen.flat_map { |key| before.about(key).select { |f| f.source == source } }
        end

        # What registrar the record names, where that is not the account's; false where it is the
        # same.
        def about_registrar(name, facts, account)
          told = facts.select { |f| f.source == :public_record }.to_h { |f| [f.key, f.value] }
          shown, number = told.values_at(:registrar, :registrar_id)
          same =
            Core::Readiness::Registrars.any_same?(
              account.public_names,
              account.habits["registrar_id"],
              { name: shown, number: number }
            )
          return @ports.names.facts(name.ascii).about(:other_registrar) if same.nil?

          other = same ? false : [shown, number].compact.join(", no. ")
          ref = Words.say(:"sources.accounts")
          Brought.facts(:desk, ref, @ports.now, { other_registrar: other })
        end

        # Whoever follows looks is told of those at held names.
        def tell_what_shows(name, account, brought, facts)
          return if @ports.names.find(name.ascii).nil?

          said = facts.select { |f| f.key == :statuses }.to_h { |f| [f.source, f.value] }
          look =
            Look.new(
              account: said[:account],
              record: said[:public_record],
              transfer: brought.filter_map(&:transfer).first
            )
          @ports.looked.call(name.ascii, account, look)
        end
      end
    end
  end
end
