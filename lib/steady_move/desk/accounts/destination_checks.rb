# frozen_string_literal: true

module SteadyMove
  module Desk
    module Accounts
      # Is a destination ready to take orders? What somebody saw there, with its time; what nobody
      # looked at is not known, which is neither yes nor no.
      class DestinationChecks
        # key: method, balance, billing, profile or terms; is: true, false or nil; says: a sentence;
        # find_out: how it is found out; seen_at, by: of the look, nil where there was none.
        Check = Struct.new(:key, :is, :says, :find_out, :seen_at, :by, keyword_init: true)
        NOTED = %w[method billing profile terms].freeze
        # An order was placed: a person said so, or the desk did it.
        PLACED = %w[said intended].freeze

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # suffix: of the name; total: Amount that is to be paid, or nil. Returns [Check]; of an
        # account with a connection only what is noted.
        def run(account, suffix: nil, total: nil)
          keys = [(balance?(account) ? "balance" : "method"), "billing", "profile", "terms"]
          checks =
            keys.map do |key|
              key == "balance" ? balance(account, total) : noted(account, key, suffix)
            end
          account.epp? ? checks.reject { |c| c.is.nil? } : checks
        end

        # Notes what was seen at a destination. key: one of NOTED, is: true, false or nil to take it
        # back, suffix: for a profile that one suffix wants; or key “balance” with an Amount, or
        # nil. Raises Refused.
        def note(account_id, key, by:, is: nil, suffix: nil, balance: nil)
          account = @ports.accounts.find(account_id) or
            raise Refused.new(:unknown, :no_account, id: account_id)
          unless (NOTED + ["balance"]).include?(key)
            raise Refused.new(:invalid, :no_such_check, given: key, known: NOTED + ["balance"])
          end

          row =
            (
              if key == "balance"
                balance&.to_h&.transform_keys(&:to_s)
              else
                (is.nil? ? nil : { "is" => is })
              end
            )
          place = suffix ? "#{key} #{suffix}" : key
          ready = (account.habits["ready"] || {}).merge(place => row && seen(row, by)).compact
          @ports.accounts.keep_habits(account, "ready" => ready)
          @ports.journal.add(
            "places",
            at: @ports.now,
            by: by,
            says:
              Words.phrase(
                "journal.ready_noted",
                by: by,
                title: account.title,
                what: Words.phrase("ready.#{key}.name")
              )
          )
        end

        # How much of a balance open moves to an account have yet to take, and orders there have
        # taken since it was noted (since: Time): Amounts by currency are not mixed. What was paid
        # back after a refusal shows in the balance that is noted next. Returns an Amount in a
        # currency.
        def committed(account, currency, since:)
          open = @ports.moves.at(account.id).select { |m| m.to_account == account.id }
          (open + @ports.moves.over_at(account.id))
            .filter_map { |m| taken(m, since) }
            .select { |amount| amount.currency == currency }
            .reduce(Core::Money::Amount.new(0, currency), :+)
        end

        private

        # What a move takes from a balance as it was at an instant; nil where that is nothing.
        def taken(move, since)
          step = move.plan.with_trait(:orders)&.id
          placed = ordered?(move, step) ? placed_at(move, step) >= since : move.state.ending.nil?
          placed ? move.plan.price&.amount : nil
        end

        def ordered?(move, step) = !step.nil? && move.state.done?(step)

        # When an order that was placed was: as a person said, or as the desk did it.
        def placed_at(move, step)
          mine = move.events.select { |e| e.step == step }
          (mine.reverse_each.find { |e| PLACED.include?(e.type) } || mine.last).at
        end

        def seen(row, by) = row.merge("at" => @ports.now, "by" => by)
        def balance?(account) = account.habits["paid_by"] == "balance"
        def ready(account) = account.habits["ready"] || {}

        def noted(account, key, suffix)
          row = ready(account)["#{key} #{suffix}"] || ready(account)[key]
          is = row ? row["is"] : (true if key == "method" && account.habits["payment"] == "ready")
          state = { true => "yes", false => "no", nil => "not_known" }.fetch(is)
          check(key, is, state, account, row)
        end

        # Without a total there is only what is there.
        def balance(account, total)
          row = ready(account)["balance"]
          return check("balance", nil, "not_known", account, nil) unless row

          held = Core::Money::Amount.of(row)
          if total && total.currency != held.currency
            return check("balance", nil, "other_currency", account, row, held: held.to_s)
          end

          free = held - committed(account, held.currency, since: row["at"])
          enough = total.nil? ? nil : free.minor >= total.minor
          state = { true => "yes", false => "no", nil => "there" }.fetch(enough)
          check(
            "balance",
            enough,
            state,
            account,
            row,
            held: held.to_s,
            free: free.to_s,
            total: total&.to_s
          )
        end

        def check(key, is, state, account, row, **values)
          at = row && row["at"]
          Check.new(
            key: key,
            is: is,
            seen_at: at,
            by: row && row["by"],
            says: Words.say(:"ready.#{key}.#{state}", title: account.title, at: at, **values),
            find_out: Words.say(:"ready.#{key}.find_out", title: account.title)
          )
        end
      end
    end
  end
end
