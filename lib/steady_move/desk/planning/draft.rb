# frozen_string_literal: true

module SteadyMove
  module Desk
    module Planning
      # One plan on the way from a request to a Proposal: each part of it is worked out once.
      class Draft
        # request: Request; judged: towards the account; new_host: Host or nil.
        def initialize(ports, request, judged, account, new_host)
          @ports = Ports.of(ports)
          @request = request
          @judged = judged
          @account = account
          @new_host = new_host
        end

        # Returns Proposal.
        def proposal
          Proposal.new(
            plan: plan,
            quote: quote,
            zone: zone,
            schedule: schedule,
            ready: ready,
            dns_question: dns_question,
            lost_days: lost_days,
            late: late.asks?,
            renewal: late.renewal,
            refusals: refusals,
            told: told
          )
        end

        private

        attr_reader :request, :judged, :account, :new_host

        def facts = judged.facts
        def family = judged.judgement.family
        def name = judged.name.ascii

        def aims = @aims ||= Core::Moves::TargetSettings.of(account.aims, request.aims)
        def quote
          @quote ||= Pricing.quote(judged, account, aims: aims, at: request.on || @ports.now)
        end

        def late = @late ||= Lateness.new(judged, request.late, Pricing.renewal(judged))

        # What is known of the records; nil where the name servers stay.
        def zone
          return @zone if defined?(@zone)

          @zone = new_host && survey.tap { |z| z.choice = request.choice }
        end

        def survey
          return ZoneSurvey.unasked(@ports, judged) if request.unasked

          ZoneSurvey.of(@ports, judged, lower: request.lower)
        end

        def ready
          @ready ||=
            Accounts::DestinationChecks.new(@ports).run(
              account,
              suffix: judged.name.suffix,
              total: quote.total
            )
        end

        # Of the payment method a rule speaks.
        def missing = ready.select { |c| c.is == false && c.key != "method" }.map(&:says)

        def refusals
          Common::Refusals.new(
            judged,
            account,
            new_host,
            missing: missing,
            choice: request.choice,
            late: late
          ).all
        end

        def dns_question
          told = request.host || request.choice || judged.account.same_registrar?(account) == true
          return [] if told || !Records::HostQuestion.new(@ports).asked?(judged)

          facts[:name_servers]
        end

        def plan
          @plan ||=
            Core::Moves::Plan.of(
              name: name,
              from: judged.account.id,
              to: account.id,
              options: options,
              ways: ways,
              aims: aims.to_plan,
              **term,
              **records,
              **waits,
              price: Pricing.seen(quote, account, judged.name.suffix),
              renewal: late.renewal
            )
        end

        def options
          PlanOptions.new(@ports, judged, account, new_host, aims, zone: zone).all + late.options
        end

        # The expiry now and as it is to be (core/expiry.rb).
        def term
          landing = { landed_at: @ports.now, years: years, max_years: most_years }
          expires = late.expires_at
          {
            expires_at: expires,
            years: years,
            max_years: most_years,
            in_grace: !grace.nil?,
            grace_ends_at: grace,
            renewed_from: late.renewed_from,
            late: late.chosen,
            expected_expiry:
              expires &&
                Core::Expiry.after_move(
                  expires_at: expires,
                  in_grace: !grace.nil?,
                  **landing
                ).expires_at
          }
        end

        def records
          {
            old_host: zone&.host_id || @ports.accounts.host_serving(facts[:name_servers] || [])&.id,
            new_host: new_host&.id,
            name_servers: new_host ? new_host.name_servers : facts[:name_servers],
            old_name_servers: (facts[:name_servers] if new_host),
            dns_stays: facts.dns_stays.to_s,
            lowered: zone&.lowered
          }
        end

        def waits
          {
            code_takes: judged.account.habits["code_takes"],
            settle_seconds: zone&.settle_seconds || 0,
            ds_seconds: zone&.ds_seconds,
            lower_seconds: zone&.lower_seconds,
            response_days: family&.response_days || 5
          }
        end

        def most_years = family&.max_years || 10

        # Some families add no year, and no move within one registrar does.
        def years
          none = family && family.years_added.to_i.zero? && !family.approval.nil?
          none || judged.account.same_registrar?(account) == true ? 0 : aims.years
        end

        # Until when the losing side's automatic year would be taken back; nil where it did not add
        # one.
        def grace
          return unless facts[:expires_at] && facts.statuses.include?("autoRenewPeriod")

          days = family&.auto_renew_grace_days || 45
          ends = Core::Expiry.grace_ends(facts[:expires_at], days)
          ends if ends > @ports.now
        end

        def lost_days
          plan.expires_at &&
            Core::Expiry.lost_days(
              expires_at: plan.expires_at,
              landed_at: @ports.now,
              years: plan.years,
              max_years: plan.max_years,
              in_grace: plan.in_grace == true
            )
        end

        # How each act of this move is done.
        def ways
          AccountWays.of(@ports, judged, account).merge(zone ? zone.ways(new_host) : {})
        end

        def told = cautions + left_behind + late.told

        def cautions
          found =
            judged.verdict.findings.select do |f|
              f.effect == "caution" || (f.effect == "fix" && f.in_move == "caution")
            end
          found.map { |f| Caution.new(f.rule, f.because) } + unknown + zone_problem +
            servers_after + privacy_price
        end

        def zone_problem
          zone&.problem ? [Caution.new("zone", Words.text(zone.problem))] : []
        end

        def privacy_price
          return [] unless quote.without.include?(:privacy)

          [Caution.new("privacy-price", Words.say(:"plan.privacy_price", to: account.title))]
        end

        # The new servers take over only once the name has landed: until then the old host has to
        # answer.
        def servers_after
          return [] unless plan.options.include?(:servers_landed) && facts.dns_stays.to_s != "yes"

          words = { from: judged.account.title, to: account.title, name: name }
          [Caution.new("servers-after", Words.say(:"plan.servers_after", **words))]
        end

        # What is found out in one way is said once; what refuses is said there.
        def unknown
          soft = judged.verdict.unknown - judged.verdict.lacking
          soft
            .group_by(&:find_out)
            .map do |find_out, list|
              says = Words.say(:"plan.not_known", rule: list.map(&:title).uniq, find_out: find_out)
              lacks = list.flat_map { |u| u.lacks.to_a }.map(&:to_s)
              note = lacks.find { |key| Portfolio::Notes::KINDS.key?(key) }
              Caution.new("unknown #{list.first.rule}", says, note)
            end
        end

        # The records are left behind knowingly.
        def left_behind
          return [] unless request.choice == "stay" && judged.needs_carry?

          says = Words.say(:"plan.stays_behind", name: name, from: judged.account.title)
          [Caution.new("stays-behind", says)]
        end

        def schedule
          Core::Forecast::Schedule.draft(Core::Moves::State.fold(plan, []), at: @ports.now)
        end
      end
    end
  end
end
