# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      # Orders that a person places on a gaining registrar's pages: what to order, the list in that
      # registrar's own form, what was charged, and what is done where it refuses.
      class ManualOrders
        # One name. price: Amount to be seen there, nil where none is known; holds: [[what, wanted]]
        # as sentences; alone: its code can't stand in the list; coded: is there a code to type?
        Line =
          Struct.new(
            :move_id,
            :name,
            :years,
            :price,
            :promotion,
            :promotion_until,
            :holds,
            :alone,
            :coded,
            keyword_init: true
          )

        # Why the gaining side refuses => what is done: a step by its mark is done anew, or only
        # told.
        REASONS = {
          "locked" => :lock,
          "code" => :code,
          "taken" => nil,
          "payment" => nil,
          "balance" => nil,
          "profile" => nil,
          "not_served" => nil,
          "paid_not_set_up" => nil,
          "set_up_not_paid" => nil,
          "other" => nil
        }.freeze

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # Lines of the moves that can be ordered at an account now, in the order in which they
        # became due.
        def lines(account_id)
          moves(account_id).map { |move| line(move) }
        end

        # One line, of a move whose order is due at the gaining side's pages.
        def line(move)
          price = move.plan.price
          code = @ports.codes.of_move(move.id)
          Line.new(
            move_id: move.id,
            name: move.name,
            years: move.plan.years,
            price: planned(move),
            promotion: price&.promotion_code,
            promotion_until: price&.promotion_until,
            holds: holds(move),
            coded: !code.nil?,
            alone: !code.nil? && !Core::Codes::OrderList.fits?(code, form(move))
          )
        end

        # The list with the codes, for the clipboard; each code that is in it stands in the journal.
        # ids: of moves, nil for all that are due there. Returns [text, names whose codes can't
        # stand in it]. Raises Refused.
        def list(account_id, by:, ids: nil)
          chosen = moves(account_id).select { |m| ids.nil? || ids.include?(m.id) }
          raise Refused.new(:not_now, :nothing_to_order) if chosen.empty?

          pairs = chosen.map { |m| [m.name, @ports.codes.of_move(m.id).to_s] }
          text, apart = Core::Codes::OrderList.write(pairs, form(chosen.first))
          @ports.db.transaction { pairs.each { |name, code| copied(name, code, apart, by) } }
          [text, apart]
        end

        # A person placed orders. steps: [[move id, step]]; number: as it was told there; charged:
        # Amount for all of them, or nil; accept_price: they saw that it is not what was planned.
        # Raises Refused, and then nothing is said.
        def ordered(steps, by:, number: nil, charged: nil, accept_price: false)
          ids = steps.map(&:first)
          differs(ids, charged) unless charged.nil? || accept_price
          data = { "order_number" => number.to_s.strip, "names" => ids.size }
          data["charged"] = charged.to_stored if charged
          ManualSteps.new(@ports).said(steps, by: by, data: data.reject { |_, v| v == "" })
        end

        # The gaining side refuses. why: one of REASONS; words: what it said, may be empty. Raises
        # Refused.
        def refused(id, why:, by:, words: "")
          move = @ports.moves.find(id) or raise Refused.new(:not_now, :no_move, id: id)
          order = move.state.with_trait(:orders)
          unless refusable?(move, order)
            raise Refused.new(:not_now, :not_waiting_for_that, name: move.name)
          end
          unless REASONS.key?(why)
            raise Refused.new(:invalid, :no_such_reason, given: why, known: REASONS.keys)
          end

          anew = REASONS[why] && move.plan.with_trait(REASONS[why])
          @ports.db.transaction do
            @ports.codes.wipe_of_move(id) if why == "code"
            note(move, "reopened", by, (anew || order.step).id, why, words)
            unless anew
              note(
                move,
                "problem",
                by,
                order.step.id,
                why,
                words,
                "yours" => true,
                "refused" => why
              )
            end
          end
          @ports.schedule.wake(id, @ports.now)
        end

        private

        # From the order on, until it has landed: a refusal may come at any moment.
        def refusable?(move, order)
          return false unless order&.step&.by_hand? && move.state.ending.nil? && !move.state.landed?

          order.active? || order.done?
        end

        def moves(account_id)
          @ports
            .moves
            .at(account_id)
            .select do |m|
              order = m.state.with_trait(:orders)
              m.to_account == account_id && order&.active? && order.step.by_hand? &&
                order.step.place == "gaining"
            end
        end

        def form(move)
          Core::Codes::OrderList.form(@ports.accounts.find(move.to_account).habits["list"])
        end

        def planned(move) = move.plan.price&.amount

        # What is to be set with the order, in words.
        def holds(move)
          aims = move.plan.wanted
          servers = move.plan.name_servers.to_a
          Core::Moves::TargetSettings::CHOICES.keys.filter_map do |what|
            value = aims[what]
            [Words.say(:"order.#{what}"), Words.say(:"order.is_#{value}")] unless value == "any"
          end +
            [
              [Words.say(:"order.contacts"), aims.profile || Words.say(:"order.as_now")],
              ([Words.say(:"order.name_servers"), servers.join(", ")] if servers.any?)
            ].compact
        end

        def copied(name, code, apart, by)
          return if code.empty? || apart.include?(name)

          @ports.journal.add(
            "code-seen",
            at: @ports.now,
            by: by,
            name: name,
            says: Words.phrase("journal.code_copied", by: by)
          )
        end

        # Is what was charged the sum of what was planned? Where a price is not known, there is
        # nothing to compare.
        def differs(ids, charged)
          sums = ids.map { |id| (move = @ports.moves.find(id)) && planned(move) }
          return if sums.any?(&:nil?) || sums.map(&:currency).uniq.size > 1

          expected = sums.reduce(:+)
          return if expected == charged

          raise Refused.new(:not_now, :price_differs, charged: charged.to_s, planned: expected.to_s)
        end

        def note(move, type, by, step, why, words, data = {})
          words = words.to_s.strip
          told = words.empty? ? "" : Words.phrase("order.in_its_words", words: words)
          says =
            Words.phrase(
              "order.refused.#{why}",
              **Common::MoveWords.values(move.plan, @ports.accounts),
              told: told
            )
          @ports.journal.add(
            type,
            at: @ports.now,
            says: says,
            by: by,
            move_id: move.id,
            name: move.name,
            step: step,
            data: data
          )
        end
      end
    end
  end
end
