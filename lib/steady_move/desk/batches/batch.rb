# frozen_string_literal: true

module SteadyMove
  module Desk
    module Batches
      # Several names at once: what each would do and cost, as they stand together.
      class Batch
        # A name and where it is to go: destination, DNS host for its records where its zone would
        # end, what shall hold afterwards (Core::Moves::TargetSettings); late: what a person chose
        # where it may expire on the way (Planning::Lateness::CHOICES); on: Time on whose day it is
        # priced, nil for now.
        Want =
          Struct.new(:name, :to, :host, :aims, :late, :on, keyword_init: true) do
            # As a batch wants it, and as it differs for one of its names.
            def self.of(batch, member)
              aims = (batch.settings["aims"] || {}).merge(member.own["aims"] || {})
              new(
                name: member.name,
                to: member.own["to"] || batch.settings["to"],
                host: member.own["host"] || batch.settings["host"],
                aims: aims,
                late: member.own["late"]
              )
            end
          end
        # by_hand: how many steps people do; says: why it can't start, or what is to be known; told:
        # [Planning::Caution]; plan: Core::Moves::Plan, nil where the name is not held; to:
        # destination id; late: may it expire on the way? latest_safe: the last instant to start it
        # so that it does not, seconds or nil; needs_host: does it only lack a DNS host for its
        # records? promotion: Amount that its price leaves out, nil where none is; promotion_until:
        # its last day (YYYY-MM-DD).
        Row =
          Struct.new(
            :name,
            :startable,
            :says,
            :total,
            :saves,
            :by_hand,
            :carries,
            :plan,
            :told,
            :to,
            :late,
            :latest_safe,
            :needs_host,
            :promotion,
            :promotion_until,
            keyword_init: true
          )

        def initialize(ports)
          @ports = Ports.of(ports)
          @planning = Planning::Planner.new(@ports)
          @pledged = {}
        end

        # wants: [Want]. Yields after each. Returns [Row]; of a balance that doesn't reach for all,
        # the last ones are out.
        def propose_all(wants)
          @names = wants.map(&:name)
          wants.map { |want| row(want).tap { |r| yield r if block_given? } }
        end

        # The DNS host for the records of a name that would lose its zone, as it was chosen for the
        # batch or for the name; nil for the others.
        def self.carry(ports, name, host, to:)
          host ||= Portfolio::CarryHosts.chosen(ports, name, to: to)&.id
          host && Portfolio::Judging.new(ports).one(name)&.needs_carry? ? host : nil
        end

        # Sums of rows that can start, one Amount for each currency, and of how many names they say
        # nothing: {total: [], saves: [], unpriced:, uncompared:}.
        def self.sums(rows)
          able = rows.select(&:startable)
          {
            total: add(able.filter_map(&:total)),
            saves: add(able.filter_map(&:saves)),
            unpriced: able.count { |r| r.total.nil? },
            uncompared: able.count { |r| r.total && r.saves.nil? }
          }
        end

        # One Amount for each currency.
        def self.add(amounts)
          amounts
            .group_by(&:currency)
            .map { |currency, list| Core::Money::Amount.new(list.sum(&:minor), currency) }
        end

        # want: of a name. Returns Planning::Request.
        def self.request(ports, want)
          Planning::Request.new(
            name: want.name,
            to: want.to,
            host: carry(ports, want.name, want.host, to: want.to),
            aims: want.aims,
            late: want.late,
            on: want.on
          )
        end

        private

        def row(want)
          return out(want, :no_destination, name: want.name) unless want.to

          proposal = @planning.propose(self.class.request(@ports, want))
          proposal ? shown(want, proposal) : out(want, :not_held, name: want.name)
        end

        def shown(want, proposal)
          short = proposal.startable? ? beyond_balance(proposal, want.to) : nil
          startable = proposal.startable? && short.nil?
          told = proposal.told + along(want.name)
          Row.new(
            name: want.name,
            startable: startable,
            told: told,
            total: proposal.total,
            plan: proposal.plan,
            says: startable ? told.map(&:says) : proposal.refusals + [short].compact,
            saves: proposal.quote.saves,
            by_hand: proposal.plan.steps.count(&:by_hand?),
            carries: proposal.plan.carry?,
            to: want.to,
            late: proposal.late,
            latest_safe: latest_safe(proposal),
            needs_host: !startable && needs_host?(want),
            **promoted(proposal)
          )
        end

        def promoted(proposal)
          seen = proposal.plan.price
          off = proposal.quote.promotion
          return {} unless seen&.promotion_until && off&.minor&.positive?

          { promotion: off, promotion_until: seen.promotion_until }
        end

        def needs_host?(want)
          judged = Portfolio::Judging.new(@ports).one(want.name)
          judged&.needs_carry? && self.class.carry(@ports, want.name, want.host, to: want.to).nil?
        end

        # Where a person has chosen, nothing is to be caught any more.
        def latest_safe(proposal)
          plan = proposal.plan
          family = @ports.rulebook.family_of(Core::Names::DomainName.held(plan.name))
          family.latest_start(plan.expires_at.to_i) if family && plan.expires_at && plan.late.nil?
        end

        def out(want, why, **values)
          Row.new(
            name: want.name,
            startable: false,
            says: [Words.say(:"refused.#{why}", **values)],
            told: [],
            by_hand: 0,
            carries: false,
            needs_host: false,
            to: want.to
          )
        end

        # A balance has to cover all of them together: says so of those that it does not reach for.
        def beyond_balance(proposal, to)
          total = proposal.quote.total or return
          place = [to, total.currency]
          @pledged[place] = @pledged.fetch(place, 0) + total.minor
          checks =
            Accounts::DestinationChecks.new(@ports).run(
              @ports.accounts.find(to),
              total: Core::Money::Amount.new(@pledged[place], total.currency)
            )
          short = checks.find { |c| c.key == "balance" && c.is == false } or return
          @pledged[place] -= total.minor
          short.says
        end

        # Mailboxes of its contacts that lie on another name of this batch.
        def along(name)
          facts = @ports.names.facts(name)
          %i[registrant_email admin_email]
            .filter_map { |key| facts[key] }
            .uniq
            .filter_map do |email|
              domain = email.downcase.rpartition("@").last
              other = (@names - [name]).find { |n| domain == n || domain.end_with?(".#{n}") }
              other &&
                Planning::Caution.new(
                  "mailbox-along",
                  Words.say(:"plan.mailbox_along", email: email, other: other)
                )
            end
        end
      end
    end
  end
end
