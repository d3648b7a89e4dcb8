# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # One name comes onto the list, is looked up for the first time, or goes off it again.
      class TakingIn
        def initialize(ports)
          @ports = Ports.of(ports)
          @suffixes = @ports.rulebook.deep_suffixes
        end

        # What a text names: [DomainName, nil], or [nil or DomainName, Phrase of why it can't be
        # taken in].
        def name(typed)
          name = Core::Names::DomainName.parse(typed, suffixes: @suffixes)
          return name, nil if suffix?(name)

          [name, Words.phrase("taking_in.no_such_suffix", suffix: name.suffix)]
        rescue Core::Names::DomainName::Invalid => e
          [nil, e.phrase]
        end

        # name: DomainName that is not held; account: Core::Accounts::Account; import: its id.
        def keep(name, account, by:, import:)
          @ports.names.put(name, account.id, at: @ports.now)
          says = Words.phrase("journal.taken_in", title: account.title)
          line = { says: says, by: by, name: name.ascii, data: { "import" => import } }
          @ports.journal.add("taken-in", at: @ports.now, **line)
        end

        # Looks a name up that has just been kept. Where the registry or the account says that there
        # is none, it goes off the list again, and a sentence says why; else returns nil.
        def look(name, account)
          seen = Observe.new(@ports).name(name, account)
          return if seen.sources.include?(:account) || !unknown?(name, account, seen)

          says = seen.problems.first || Words.say(:"taking_in.not_registered")
          off(name.ascii, Words.phrase("journal.taken_off", says: says), by: "desk")
          says
        end

        # Lets a name go that was taken in by mistake; raises Refused where it has been moved from
        # here.
        def let_go(name, by:)
          raise Refused.new(:unknown, :not_held, name: name) unless @ports.names.find(name)
          raise Refused.new(:not_now, :has_moves, name: name) if @ports.moves.of_name(name).any?

          off(name, Words.phrase("journal.let_go"), by: by)
        end

        private

        # Does everybody who answered say that there is no such name?
        def unknown?(name, account, seen)
          return true if @ports.names.facts(name.ascii)[:registered] == false
          return false if account.kind == "by_hand" && seen.unserved

          seen.sources.empty? && seen.absent
        end

        def off(name, says, by:)
          @ports.names.drop(name)
          @ports.codes.wipe(name)
          @ports.unrequested_transfers.forget(name)
          @ports.journal.add("let-go", at: @ports.now, says: says, by: by, name: name)
        end

        # Is there such a suffix: in the Public Suffix List, in the rulebook, or served by a public
        # record?
        def suffix?(name)
          top = name.suffix.rpartition(".").last
          (@known ||= Hash.new { |known, suffix| known[suffix] = listed?(suffix) })[top] ||
            @ports.rulebook.family_of(name) || @ports.rdap.serves?(name)
        end

        def listed?(top)
          PublicSuffix::List.default.find(Core::Names::Idn.shown(top), default: nil)
        end
      end
    end
  end
end
