# frozen_string_literal: true

module SteadyMove
  module Desk
    module Planning
      # Works out what a move would do and cost, before anything is done; and starts it.
      class Planner
        Caution = Struct.new(:key, :says)
        # A plan that starts rests on facts no older than this (seconds): name servers and status may
        # have changed since it was shown.
        FRESH = 60

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # name: A-label text held here; to: account id; chosen: members of Chosen.
        # age: look facts up again first that are older than so many seconds, because an act will rely
        # on them; nil for as they are.
        # outside: may the present DNS host be asked? False where only an outline is wanted.
        # Returns a Proposal, or nil where the name, account or host isn't known.
        def propose(name, to:, age: nil, outside: true, **chosen)
          chosen = Chosen.new(**chosen)
          judged = judged(name, to, age)
          account = @ports.accounts.find(to)
          new_host = new_host(chosen, account)
          return if judged.nil? || account.nil? || (chosen.host && new_host.nil?)

          zone = survey(judged, chosen.lower, outside) if new_host
          zone&.choice = chosen.choice
          aims = Core::Moves::TargetSettings.of(account.aims, chosen.aims)
          quote = quote(judged, account, years: aims.years)
          late = Lateness.new(judged, chosen.late, quote.stay)
          plan = plan(judged, account, new_host, zone, aims, quote, late)
          ready =
            Accounts::DestinationChecks.new(@ports).of(
              account,
              suffix: judged.name.suffix,
              total: quote.total
            )
          missing = missing(ready)
          Proposal.new(
            plan: plan,
            quote: quote,
            zone: zone,
            schedule: schedule(plan),
            ready: ready,
            dns_question: dns_question(judged, account, chosen),
            lost_days: lost_days(plan),
            late: late.asks?,
            renewal: late.renewal,
            refusals:
              Common::Refusals.new(
                judged,
                account,
                new_host,
                missing: missing,
                choice: chosen.choice,
                late: late
              ).all,
            told: cautions(judged, zone) + left_behind(judged, chosen.choice) + late.told
          )
        end

        # What a move to an account, or to the usual destination, would cost: [account, Quote]; nil
        # where no other is known, or its price.
        def going(judged, to: nil)
          account = @ports.accounts.find(to || Accounts::Destinations.usual(@ports)) or return
          return if account.id == judged.account.id

          [account, quote(judged, account)]
        end

        # Starts the move: its plan and the first line of its journal are written together. price:
        # what was agreed, an Amount, nil where none was known, or :any. Raises Refused, also where
        # the price is another now. Returns its id.
        def start(name, to:, by:, price: :any, **options)
          proposal = propose(name, to: to, age: FRESH, **options) or
            raise Refused.new(:unknown, :nothing_to_move)
          raise Refused.new(:not_now, proposal.refusals) unless proposal.startable?
          if price != :any && price != proposal.total
            raise Refused.new(:not_now, :price_changed, name: name, now: proposal.total.to_s)
          end

          @ports.db.transaction do
            PendingHost.keep(@ports, proposal.plan.new_host)
            go_on(name, by)
            @ports.moves.start(proposal.plan, at: @ports.now) { |id| note_start(id, proposal, by) }
          end
        rescue Store::Moves::AlreadyMoving
          raise Refused.new(:not_now, :already_moving, name: name)
        end

        private

        def judged(name, destination, age)
          judging = Portfolio::Judging.new(@ports)
          age ? judging.fresh(name, to: destination, age: age) : judging.one(name, to: destination)
        end

        def dns_question(judged, account, chosen)
          if chosen.host || chosen.choice || judged.account.same_registrar?(account) == true
            return []
          end

          Records::HostQuestion.new(@ports).asked?(judged) ? judged.facts[:name_servers] : []
        end

        # Of the payment method a rule speaks.
        def missing(ready) = ready.select { |c| c.is == false && c.key != "method" }.map(&:says)

        def new_host(chosen, account)
          if chosen.choice == "later"
            PendingHost.of(@ports, account)
          else
            chosen.host && @ports.accounts.host_of(chosen.host)
          end
        end

        def survey(judged, lower, outside)
          outside ? ZoneSurvey.of(@ports, judged, lower: lower) : ZoneSurvey.unasked(@ports, judged)
        end

        # A name that was only made ready goes on as this move: what was done for it stays done.
        def go_on(name, by)
          ready = @ports.moves.open_for(name)
          return unless ready&.plan&.prepare? && ready.state.ending.nil?

          @ports.journal.add(
            "settled",
            at: @ports.now,
            move_id: ready.id,
            name: name,
            by: by,
            says: Words.phrase("journal.ready_goes_on", name: name)
          )
          @ports.codes.let_go(ready.id)
          @ports.moves.close(ready.id)
        end

        def note_start(id, proposal, by)
          words = Common::MoveWords.of(proposal.plan, @ports.accounts)
          total = proposal.quote.total || Core::Money::Amount.new(nil, nil)
          @ports.journal.add(
            "planned",
            at: @ports.now,
            move_id: id,
            name: proposal.plan.name,
            by: by,
            says: Words.phrase("journal.planned", **words.slice(:name, :from, :to)),
            data: {
              "total" => total.minor,
              "currency" => total.currency,
              "stay" => proposal.quote.stay&.minor,
              "foreseen" => @ports.forecasts.foreseen(proposal.plan)
            }.compact
          )
          note_late(id, proposal, by) if proposal.plan.late
        end

        # Somebody chose, knowing the risk.
        def note_late(id, proposal, person)
          plan = proposal.plan
          @ports.journal.add(
            "late-chosen",
            at: @ports.now,
            move_id: id,
            name: plan.name,
            by: person,
            says:
              Words.phrase(
                "journal.late_#{plan.late}",
                by: person,
                expires: plan.renewed_from || plan.expires_at
              )
          )
        end

        def plan(judged, account, new_host, zone, aims, quote, late)
          family = judged.judgement.family
          facts = judged.facts
          Core::Moves::Plan.of(
            name: judged.name.ascii,
            from: judged.account.id,
            to: account.id,
            options:
              PlanOptions.new(@ports, judged, account, new_host, aims, zone: zone).all +
                late.options,
            aims: aims.to_plan,
            late: late.chosen,
            renewal: late.renewal_stored,
            renewed_from: late.renewed_from,
            dns_stays: facts.dns_stays.to_s,
            price: price(quote, account, judged.name.suffix),
            ways: ways(judged.account, account, family).merge(zone ? zone.ways(new_host) : {}),
            old_host: zone&.host_id || @ports.accounts.host_serving(facts[:name_servers] || [])&.id,
            new_host: new_host&.id,
            code_takes: judged.account.habits["code_takes"],
            settle_seconds: zone&.settle_seconds || 0,
            ds_seconds: zone&.ds_seconds,
            lowered: zone&.lowered,
            lower_seconds: zone&.lower_seconds,
            old_name_servers: (facts[:name_servers] if new_host),
            response_days: family&.response_days || 5,
            name_servers: new_host ? new_host.name_servers : facts[:name_servers],
            **expiry(facts, family, judged, account, aims, late)
          )
        end

        # The expiry now and as it is to be (core/expiry.rb).
        def expiry(facts, family, judged, account, aims, late)
          expires = late.expires_at
          years = adds_none?(family, judged, account) ? 0 : aims.years
          most = family&.max_years || 10
          landing = { landed_at: @ports.now, years: years, max_years: most }
          grace = grace(facts, family)
          {
            expires_at: expires,
            years: years,
            max_years: most,
            in_grace: !grace.nil?,
            grace_ends_at: grace,
            expected_expiry:
              expires &&
                Core::Expiry.after_move(
                  expires_at: expires,
                  in_grace: !grace.nil?,
                  **landing
                ).expires_at
          }
        end

        # Some families add no year, and no move within one registrar does.
        def adds_none?(family, judged, account)
          (family && family.years_added.to_i.zero? && !family.approval.nil?) ||
            judged.account.same_registrar?(account) == true
        end

        def lost_days(plan)
          plan.expires_at &&
            Core::Expiry.lost_days(
              expires_at: plan.expires_at,
              landed_at: @ports.now,
              years: plan.years,
              max_years: plan.max_years,
              in_grace: plan.in_grace == true
            )
        end

        # Until when the losing side's automatic year would be taken back; nil where it did not add
        # one.
        def grace(facts, family)
          return unless facts[:expires_at] && facts.statuses.include?("autoRenewPeriod")

          ends = Core::Expiry.grace_ends(facts[:expires_at], family&.auto_renew_grace_days || 45)
          ends if ends > @ports.now
        end

        # How each act of this move is done; a transfer that the holder approves by mail is released
        # by the link in the registry's mail, and lapses where nobody answers.
        def ways(from, account, family)
          by_mail = family&.approval == "mail" ? { "release" => "link", "silence" => "lapses" } : {}
          from.ways.merge(
            "proof" => @ports.sender ? "connection" : "page",
            "order" => account.ways["order"],
            "privacy_back" => account.ways["privacy"],
            "lock_back" => account.ways["unlock"],
            **by_mail
          )
        end

        # A name with its registry's own price costs what nobody here knows.
        def quote(judged, account, years: 1)
          return Core::Money::Quoting::UNKNOWN if judged.facts[:premium]

          here, stay =
            [account, judged.account].map do |a|
              Core::Money::PriceList.of(a.prices, judged.name.suffix)
            end
          noted = judged.facts[:stay_price]
          stay = stay.merge("renew" => noted["minor"], "currency" => noted["currency"]) if noted
          Core::Money::Quoting.quote(here, stay: stay, years: years, on: @ports.now)
        end

        # What is to be seen before paying, as the plan keeps it; nil where no price is known.
        def price(quote, account, suffix)
          return unless quote.total

          row = Core::Money::PriceList.of(account.prices, suffix)
          {
            "minor" => quote.total.minor,
            "currency" => quote.total.currency,
            **(quote.promotion.minor.zero? ? {} : row.slice("promotion_code", "promotion_until"))
          }
        end

        def cautions(judged, zone)
          told =
            judged.verdict.findings.select do |f|
              f.effect == "caution" || (f.effect == "fix" && f.in_move == "caution")
            end
          unknown =
            judged.verdict.unknown.map do |u|
              Caution.new(
                "unknown #{u.rule}",
                Words.say(:"plan.not_known", rule: u.title, find_out: u.find_out)
              )
            end
          told.map { |f| Caution.new(f.rule, f.because) } + unknown +
            [zone&.problem && Caution.new("zone", Words.text(zone.problem))].compact
        end

        # The records are left behind knowingly.
        def left_behind(judged, choice)
          return [] unless choice == "stay" && judged.needs_carry?

          says = Words.say(:"plan.stays_behind", name: judged.name.ascii, from: judged.account.title)
          [Caution.new("stays-behind", says)]
        end

        def schedule(plan)
          Core::Forecast::Schedule.of(Core::Moves::State.fold(plan, []), at: @ports.now)
        end
      end
    end
  end
end
