# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # What the planner would say of names, without making a plan for each: may it go, does it need
      # somebody, until when does it wait, what bars it. towards: a destination, or wherever it may
      # go.
      class Gates
        # kind: ready, needs, unknown, wait, blocked or moving; clears_at: seconds, nil where nobody
        # knows; steps: how many things the desk does on the way; needs: how many have to be put
        # right before; rests_on_less: some facts are missing.
        Gate = Struct.new(:kind, :clears_at, :steps, :needs, :rests_on_less)
        # key: :rule, :unknown (a rule's facts are), or what lacks at the places alone: :unseen,
        # :held_there, :destination, :unreachable, :records; rule, title: of the rule.
        Reason = Struct.new(:key, :rule, :title)
        KINDS = %w[ready needs unknown wait blocked moving].freeze
        # What a gate is asked of: a name in short, as a PortfolioIndex::Entry answers it, too.
        Subject =
          Struct.new(
            :ascii,
            :suffix,
            :account_id,
            :outline,
            :dns_host,
            :servers,
            :signed_known,
            :move,
            keyword_init: true
          )
        CARRIED = "dns-leaves"

        # to: account id, or nil.
        def initialize(ports, to = nil)
          @ports = Ports.of(ports)
          @to = to
        end

        # Looks at the accounts, and at what is left of a balance, anew, before gates are asked for.
        # Returns whether they are others than before.
        def refresh
          accounts = [@ports.accounts.all, @ports.accounts.hosts]
          committed = committed(accounts.first)
          @chosen = @ports.zone_migrations.chosen_hosts
          same = @accounts && accounts.zip(@accounts).all? { |is, was| is.equal?(was) }
          return false if same && committed == @committed

          @accounts = accounts
          @committed = committed
          @by_id = accounts.first.to_h { |a| [a.id, a] }
          @account = @to && @by_id[@to]
          @missing, @within, @unreachable = Array.new(3) { {} }
          true
        end

        # entry: PortfolioIndex::Entry or Subject; at: seconds. Returns a Gate.
        def judge(entry, at)
          core = entry.outline.gate(at, passing: passed(entry.account_id))
          moving = entry.move && !entry.move.prepares
          kind = moving ? "moving" : entry.account_id == @to ? "blocked" : core.plan_kind
          needs = core.needs + (moving ? 0 : places(entry, at))
          kind = "needs" if kind == "ready" && needs.positive?
          Gate.new(kind, core.clears_at, core.steps, needs, core.rests_on_less)
        end

        # The same of a name that was judged by itself.
        def of_judged(judged)
          refresh
          facts = judged.facts
          subject =
            Subject.new(
              ascii: judged.name.ascii,
              suffix: judged.name.suffix,
              account_id: judged.account.id,
              outline: judged.judgement.outline,
              dns_host: facts[:dns_host],
              servers: facts[:name_servers] || [],
              signed_known: !facts[:signed].nil?,
              move: judged.move&.underway
            )
          judge(subject, judged.at.to_i)
        end

        # Why a gate stands as it does; nil where nothing stands in the way. entry, at: as in judge;
        # gate: what it said. Returns a Reason.
        def reason(entry, at, gate)
          return if %w[ready moving].include?(gate.kind)
          return Reason.new(:unseen) if gate.kind == "unknown" && entry.seen.nil?
          return Reason.new(:held_there) if entry.account_id == @to

          rule = entry.outline.deciding(at, passing: passed(entry.account_id))
          return by_rule(gate.kind == "unknown" ? :unknown : :rule, rule) if rule

          lacking = { destination: missing(entry.suffix).positive? }
          lacking[:unreachable] = unreachable?(entry.account_id)
          Reason.new(lacking.key(true) || :records)
        end

        # A gate by the rules alone, without places: for whoever changes a rule.
        def self.plain(core)
          Gate.new(core.plan_kind, core.clears_at, core.steps, core.needs, core.rests_on_less)
        end

        private

        # What moves take from the destination's noted balance, where it is paid from one.
        def committed(accounts)
          account = @to && accounts.find { |a| a.id == @to }
          held =
            account && account.habits["paid_by"] == "balance" &&
              account.habits.dig("ready", "balance")
          if held
            Accounts::DestinationChecks
              .new(@ports)
              .committed(account, held["currency"], since: held["at"])
              .minor
          else
            0
          end
        end

        # What lacks at the places: at the destination, for letters, for records that have to be
        # carried.
        def places(entry, at)
          count = missing(entry.suffix)
          count += 1 if unreachable?(entry.account_id)
          within?(entry.account_id) ? count : count + records(entry, at)
        end

        # Where the zone would end, a DNS host has to be chosen; where nobody knows that, it is
        # asked.
        def records(entry, at)
          return carried_somewhere?(entry) ? 0 : 1 if entry.outline.hits?(CARRIED, at)

          entry.servers.any? && entry.outline.unknown?(CARRIED, at) ? 1 : 0
        end

        # Is there no address for letters where something goes by letter?
        def unreachable?(id)
          @unreachable.fetch(id) do
            from = @by_id.fetch(id)
            @unreachable[id] = from.ways.value?("letter") && from.habits["support"].to_s.empty?
          end
        end

        # How many things are not as they have to be where it goes.
        def missing(suffix)
          return 0 unless @account

          @missing[suffix] ||= begin
            aims = Core::Moves::TargetSettings.of(@account.aims, nil)
            total =
              Core::Money::Quoting.quote(
                @account.prices_of(suffix),
                years: aims.years,
                on: @ports.now,
                privacy: aims.privacy == "on"
              ).total
            checks =
              Accounts::DestinationChecks.new(@ports).run(@account, suffix: suffix, total: total)
            checks.count { |c| c.is == false && c.key != "method" }
          end
        end

        # Did a person choose a DNS host for the records that a plan would take?
        def carried_somewhere?(entry)
          return false unless entry.signed_known

          id = @chosen[entry.ascii]
          host = id && @accounts.last.find { |h| h.id == id }
          !host.nil? && CarryHosts.fits?(host, @to) && host.title != entry.dns_host
        end

        def by_rule(key, rule) = Reason.new(key, rule, @ports.rulebook.entries.fetch(rule).title)

        # Rules that don't count between accounts of one registrar.
        def passed(id) = within?(id) ? Common::Refusals::BETWEEN : nil

        def within?(id)
          return false unless @account

          @within.fetch(id) { @within[id] = @by_id.fetch(id).same_registrar?(@account) == true }
        end
      end
    end
  end
end
