# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      # What acts know of the transfer at the registry. Whose transfer it is decides: dates and
      # parties, never only that there is one.
      module Transfers
        # How much earlier than ours the other side's clock may stand.
        SLACK = 60

        private

        # What shows of the transfer where the gaining side offers no connection: Outside::Sight.
        def sight = @sight ||= outside.sight
        def outside = @outside ||= Outside.new(self)
        def outside? = plan.options.include?(:outside)

        # The last transfer as one side's registrar knows it; nil where it knows none, or only one
        # between others.
        def transfer(at: gaining)
          epp(at, Act::Commands.transfer(op: "query", name: plan.name, id: job.ask_key))
        rescue Wire::Refused => e
          raise unless Core::Moves::Answers.meaning("transfer query", e.code) == :none_pending

          nil
        end

        # The same where it is the one that this move asked for.
        def our_transfer(at: gaining)
          return unless ordered?

          found = transfer(at: at)
          found if found && ours?(found)
        end

        def order_step = plan.with_trait(:orders)&.id
        # Did an order go out, or may it have?
        def ordered? = !order_step.nil? && state.tries(order_step).positive?

        # Asked for no earlier than our first try, and by whom our order's answer named.
        def ours?(transfer)
          first = state.first_try_at(order_step)
          by = state.told("requested_by")&.data&.fetch("requested_by", nil)
          (transfer.requested_at.nil? || transfer.requested_at >= first - SLACK) &&
            (by.nil? || by == transfer.requested_by)
        end

        # Where the name is after an order: losing, pending, or released to the gaining side.
        def whereabouts
          return outside_whereabouts if outside?

          found = our_transfer
          return :losing unless found
          return :pending if found.status == "pending"

          found.status.end_with?("Approved") ? :released : :losing
        end

        def outside_whereabouts
          return :losing if state.begun_at(order_step).nil? && !state.done?(order_step)
          return :released if sight.approved?

          sight.pending? ? :pending : :losing
        end

        # How it ended, seen from outside; where nobody says which end it was, a person is asked.
        def over
          if sight.how
            return(
              ended(
                sentence("outside.ended_#{sight.how}"),
                source: sight.source,
                words: sight.source == :mailbox
              )
            )
          end

          problem(
            sight.says,
            source: sight.source,
            ref: sight.ref,
            yours: true,
            look_at: now + 21_600,
            which_end: true
          )
        end

        # What a message alone said to be over is not, while the registry or the public record shows
        # it pending.
        def still_pending?
          state.ended_by_words? && (outside? ? sight.pending? : whereabouts == :pending)
        end
        def still_pending
          resumed(
            sentence("outside.still_pending"),
            source: outside? ? sight.source : :transfer_query
          )
        end

        # How our transfer ended (states: RFC 5730 §2.9.3.4).
        def finished(transfer)
          at = { at: transfer.act_at }
          case transfer.status
          when "clientApproved"
            done(sentence("transfer.approved", **at), source: :transfer_query)
          when "serverApproved"
            done(sentence("transfer.approved_by_silence", **at), source: :transfer_query)
          when "clientCancelled"
            ended(sentence("transfer.cancelled"), source: :transfer_query)
          else
            ended(
              sentence("transfer.refused", status: transfer.status, **at),
              source: :transfer_query
            )
          end
        end
      end
    end
  end
end
