# frozen_string_literal: true

module SteadyMove
  module Desk
    # Several names to one destination: what each would do and cost, and all of them started that can be.
    class Batch
      # by_hand: how many steps people do; move_id: once it is started; says: why not, sentences.
      Row = Struct.new(:name, :startable, :says, :total, :saves, :by_hand, :carries, :move_id, keyword_init: true)

      def initialize(app)
        @app = app
        @planning = Planning.new(app)
        @pledged = {}
        @starting = false
      end

      # names: A-label texts held here; host: DNS host for those names whose zone would end, or nil; aims: what shall
      # hold afterwards (Core::Moves::Aims), own: {name => aims} where single names differ. Yields after each.
      # Returns [Row].
      def propose(names, to:, host: nil, aims: nil, own: {}, &block)
        @names = names
        names.map { |name| row(name, to: to, host: host, aims: wanted(name, aims, own)).tap(&block) }
      end

      # Starts what can be started; what can't is told with its reason. Yields after each. Returns [Row].
      def start(names, to:, by:, host: nil, aims: nil, own: {}, &block)
        @names = names
        @starting = true
        names.map do |name|
          where = { to: to, host: host, aims: wanted(name, aims, own) }
          row = row(name, **where)
          row = started(row, by: by, **where) if row.startable
          row.tap(&block)
        end
      end

      # Sums of rows that can start, one Amount for each currency, and of how many names they say nothing: {total: [],
      # saves: [], unpriced:, uncompared:}.
      def self.sums(rows)
        able = rows.select(&:startable)
        { total: add(able.filter_map(&:total)), saves: add(able.filter_map(&:saves)),
          unpriced: able.count { |r| r.total.nil? }, uncompared: able.count { |r| r.total && r.saves.nil? } }
      end

      def self.add(amounts)
        amounts.group_by(&:currency).map { |currency, list| Core::Money::Amount.new(list.sum(&:minor), currency) }
      end
      private_class_method :add

      private

      def wanted(name, aims, own) = own.key?(name) ? (aims || {}).merge(own.fetch(name)) : aims

      def row(name, to:, host:, aims:)
        proposal = @planning.propose(name, to: to, host: carry(name, host), aims: aims) or return not_held(name)

        short = proposal.startable? ? beyond_balance(proposal, to) : nil
        startable = proposal.startable? && short.nil?
        says = startable ? proposal.cautions + along(name) : proposal.refusals + [short].compact
        Row.new(name: name, startable: startable, says: says, total: proposal.quote.total, saves: proposal.quote.saves,
          by_hand: proposal.plan.steps.count(&:by_hand?), carries: proposal.plan.carry?)
      end

      # A balance has to cover all of them together: says so of those that it does not reach for. What is started takes
      # its part by itself.
      def beyond_balance(proposal, to)
        total = proposal.quote.total or return
        @pledged[total.currency] = @pledged.fetch(total.currency, 0) + total.minor
        together = Core::Money::Amount.new(@starting ? total.minor : @pledged[total.currency], total.currency)
        checks = DestinationChecks.new(@app).of(@app.accounts.find(to), total: together)
        short = checks.find { |c| c.key == "balance" && c.is == false } or return
        @pledged[total.currency] -= total.minor
        short.says
      end

      def not_held(name)
        Row.new(name: name, startable: false, says: [Words.say("refused.not_held", name: name)], by_hand: 0,
          carries: false)
      end

      # Mailboxes of its contacts that lie on another name of this batch.
      def along(name)
        facts = @app.names.facts(name)
        %i[registrant_email admin_email].filter_map { |key| facts[key] }.uniq.filter_map do |email|
          domain = email.downcase.rpartition("@").last
          other = (@names - [name]).find { |n| domain == n || domain.end_with?(".#{n}") }
          other && Words.say("plan.mailbox_along", email: email, other: other)
        end
      end

      # Only names whose zone would end with the registration are carried.
      def carry(name, host) = host && Judging.new(@app).one(name)&.needs_carry? ? host : nil

      def started(row, to:, host:, aims:, by:)
        row.move_id = @planning.start(row.name, to: to, host: carry(row.name, host), aims: aims, by: by)
        row
      rescue Refused => e
        row.tap do |r|
          r.startable = false
          r.says = [e.message]
        end
      end
    end
  end
end
