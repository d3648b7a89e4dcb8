# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Orders the transfer, once: an order whose answer was lost is found by asking.
        class Order < Act
          include Transfers
          include CodeTrouble

          def call
            known = our_transfer
            return ordered(known) if known

            code = checked_code
            years = plan.years.nonzero?
            data =
              intend(sentence(:ordering, count: plan.years)) do |key|
                epp(
                  gaining,
                  Commands.transfer(
                    op: "request",
                    name: plan.name,
                    id: key,
                    auth_info: code,
                    years: years
                  )
                )
              end
            ordered(data)
          rescue Wire::Refused => e
            refused(e)
          end

          # One that came after the check is asked about before it is used (RFC 5731 §3.1.2);
          # Refused where the registry rejects it.
          def checked_code
            code = ports.codes.of_move(move.id)
            return code if code.nil? || ports.codes.state_of(move.id) == "checked"

            info(gaining, code: code)
            ports.codes.checked(move.id)
            code
          end

          # Seen from outside where a person orders: the gaining side's mail, or what shows of the
          # transfer once they said so; before that it may be anybody's.
          def ordered_shown
            mail = outside.gaining_mail
            if mail
              return(
                Seen.new(
                  done: true,
                  says: sentence(:mailed),
                  source: :mailbox,
                  ref: mail.evidence["ref"]
                )
              )
            end

            begun = state.begun_at(step.id)
            Seen.new(
              done: !begun.nil? && sight.begun?,
              says: sight.says,
              not_yet: sentence(:not_shown),
              source: sight.source,
              ref: sight.ref
            )
          end

          # Each refusal in plain words with what happens next (result codes: RFC 5730 §3).
          def refused(refusal)
            case Core::Moves::Answers.meaning("transfer request", refusal.code)
            when :prohibited
              still_locked(refusal)
            when :code
              code_rejected
            when :not_eligible
              to_person(:not_eligible, refusal, 86_400)
            when :pending
              to_person(:pending, refusal, 900)
            when :theirs
              raise refusal
            else
              to_person(:refused, refusal, 3600)
            end
          end

          private

          def ordered(data)
            done(
              sentence(:done),
              source: [:epp_request, { at: gaining.title }],
              requested_by: data&.requested_by
            )
          end

          def still_locked(refusal)
            waits = plan.with_trait(:lock)
            reopen(waits.id, sentence(:locked_reopened)) if waits
            problem(
              sentence(:locked, code: refusal.code),
              source: [:epp, { at: gaining.title }],
              look_at: now + 900
            )
          end

          def to_person(key, refusal, pause)
            says = sentence(key, code: refusal.code, message: refusal.message)
            problem(says, source: [:epp, { at: gaining.title }], yours: true, look_at: now + pause)
          end
        end
      end
    end
  end
end
