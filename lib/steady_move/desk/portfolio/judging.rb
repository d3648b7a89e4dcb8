# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # The verdict on a name that is held.
      class Judging
        HORIZON = 400 * 86_400

        # A name with all that is known and judged of it at an instant.
        Judged =
          Struct.new(
            :row,
            :name,
            :facts,
            :judgement,
            :at,
            :account,
            :move,
            :destination,
            keyword_init: true
          ) do
            def verdict = @verdict ||= judgement.verdict(at)
            # What keeps a move from starting: bars and waits. Fixes are steps of the move itself.
            def findings_open = verdict.findings.select { |f| %w[bar wait].include?(f.effect) }
            # Seconds since the older of what the rules rest on was seen; nil where nothing was.
            def age = (seen = facts.oldest(:statuses, :expires_at, :created_at)) && (at - seen)
            def needs_carry? = verdict.findings.any? { |f| f.rule == "dns-leaves" }
          end

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # As `one`, after a new look where what is known is older than so many seconds. Returns a
        # Judged, or nil.
        def fresh(name, to: nil, age: @ports.facts_age)
          found = one(name, to: to) or return
          return found if found.age && found.age <= age

          Observe.new(@ports).name(found.name, found.account)
          one(name, to: to)
        end

        # name: A-label text; to: account id, for the rules that ask where it goes. Returns a
        # Judged;
        # nil where the name isn't held.
        def one(name, at: @ports.now, to: nil)
          row = @ports.names.find(name) or return
          known = Core::Names::DomainName.held(row[:name])
          facts = DerivedFacts.new(@ports, only: name).add(row, @ports.names.facts(name))
          destination = to && Accounts::Destinations.settings(@ports.accounts.find(to))
          judgement =
            Core::Readiness::Judge.judge(@ports.rulebook, known, facts, destination: destination)
          Judged.new(
            row: row,
            name: known,
            facts: facts,
            at: at,
            account: @ports.accounts.find(row[:account_id]),
            move: @ports.moves.open_for(name),
            destination: destination,
            judgement: judgement
          )
        end
      end
    end
  end
end
