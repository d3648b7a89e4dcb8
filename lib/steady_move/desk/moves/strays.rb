# frozen_string_literal: true

module SteadyMove
  module Desk
    # Somebody asked for a held name to be transferred away, and nobody here ordered it: told at once and first of all,
    # with its deadline and how to refuse it.
    class Strays
      PENDING = "pending"
      # Kinds of messages that tell of a transfer under way.
      NOTICES = %w[leaving-notice approval-request].freeze
      # How long a person's word that it is expected holds.
      EXPECTED = 15 * 86_400

      def initialize(app)
        @app = app
      end

      # The public record or the account shows the name; ends: the registry's deadline, or nil.
      def seen(name, account, statuses, ends:)
        return if statuses.nil?
        return over(name) unless statuses.include?("pendingTransfer")

        note(name, account, source: "record", deadline: ends, because: Words.say("strays.record"))
      end

      # A message of the registry's queue. data: TransferInfo or other data.
      def heard(name, account, data)
        return unless data.is_a?(Wire::Epp::TransferInfo)
        return over(name) unless data.status == PENDING

        note(name, account, source: "poll", deadline: data.act_at, requested_by: data.requested_by,
          because: Words.say("strays.poll", at: account.title))
      end

      # A message that speaks of it; one from a doubtful sender tells nothing.
      def written(row)
        return unless NOTICES.include?(row[:kind]) && row[:trust] != "doubtful"

        row[:names].each do |name|
          account = @app.accounts.find(@app.names.find(name)&.fetch(:account_id)) or next
          note(name, account, source: "mail", deadline: row[:deadline],
            because: Words.say("strays.mail", from: row[:sender]))
        end
      end

      def open = @app.strays.open

      # Sends the refusal over the account's connection (RFC 5730 §2.9.3.4). Raises Refused.
      def refuse(name, by:)
        stray, account = find(name)
        raise Refused.new(:not_now, :refuse_by_hand, at: account.title) unless account.epp?

        @app.journal.add("stray", at: @app.now, by: by, name: name,
          says: Words.phrase("journal.stray_refusing", by: by))
        command = Wire::Epp::Commands.transfer(op: "reject", name: name, id: "stray-#{@app.random.rand(10**9)}")
        @app.epp.with(account) { |c| c.request(command) }
        settle(stray, Words.phrase("journal.stray_refused", by: by, at: account.title), by)
        Observe.new(@app).name(Core::Names::DomainName.held(name), account)
      rescue Wire::Error => e
        raise Refused.new(:not_now, :account_says, title: account.title, says: e.says)
      end

      # A person knows of it. Raises Refused.
      def expected(name, by:)
        stray, = find(name)
        settle(stray, Words.phrase("journal.stray_expected", by: by), by)
      end

      private

      def find(name)
        stray = @app.strays.find(name) or raise Refused.new(:not_now, :no_stray, name: name)
        [stray, @app.accounts.find(stray.account_id)]
      end

      def note(name, account, because:, **more)
        return if ordered_here?(name) || @app.strays.settled_since?(name, @app.now - EXPECTED)

        fresh = @app.strays.put(name, account_id: account.id, because: because, at: @app.now, **more)
        return unless fresh

        @app.journal.add("stray", at: @app.now, by: "desk", name: name,
          says: Words.phrase("journal.stray", because: because))
      end

      # Our own order: its step is done, or was begun.
      def ordered_here?(name)
        state = @app.moves.open_for(name)&.state or return false
        orders = state.marked(:orders) or return state.plan.options.include?(:leaves)
        orders.done? || state.tries(orders.step.id).positive? ||
          !state.begun_at(orders.step.id).nil?
      end

      def over(name)
        stray = @app.strays.find(name) or return
        settle(stray, Words.phrase("journal.stray_over"), "desk") unless stray.source == "mail" && young?(stray)
      end

      # A notice may come before the record shows anything (rules of the job §5: an hour at most).
      def young?(stray) = @app.now < stray.seen_at + 3600

      def settle(stray, says, by)
        @app.strays.settle(stray.name, Words.say(says), at: @app.now)
        @app.journal.add("stray", at: @app.now, by: by, name: stray.name, says: says)
      end
    end
  end
end
