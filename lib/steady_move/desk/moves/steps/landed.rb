# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Waits until registry and public record show the name at the gaining side.
        class Landed < Act
          include Transfers

          # How long after its deadline a transfer may take to show.
          LATE = 2 * 86_400

          def call
            return by_word if plan.options.include?(:within)
            return from_outside if outside?

            there = info(gaining)
            transfer = our_transfer
            record = public_record
            arrived =
              transfer && there.sponsor == transfer.requested_by && gaining.shown_by?(record)
            unless arrived
              return wait(sentence(:not_yet), source: :info_and_record, look_at: now + 300)
            end

            arrive
            done(
              sentence(:done),
              source: :registry_and_record,
              ref: record.url,
              landed_at: transfer.act_at,
              expires_at: there.expires_at
            )
          end

          private

          # From one account to another of the same registrar.
          def by_word
            record = public_record
            arrive
            done(
              sentence(:done),
              source: :word,
              ref: record.url,
              landed_at: now,
              expires_at: record.expires_at
            )
          end

          # A mail alone proves nothing: the record has to show the gaining side.
          def from_outside
            return over if sight.stage == :over
            return whose if sight.stage == :elsewhere
            return not_there unless sight.stage == :landed

            record = public_record
            arrive
            done(
              sight.says,
              source: :record,
              ref: record.url,
              landed_at: record.transferred_at || now,
              expires_at: record.expires_at
            )
          end

          # Only a person knows whether that is the gaining side under another name.
          def whose
            problem(
              sight.says,
              source: :record,
              ref: sight.ref,
              yours: true,
              look_at: now + 21_600,
              registrar: sight.how
            )
          end

          def not_there
            ends = state.deadline
            late = ends && now >= ends + LATE
            unless late
              return(
                wait(
                  sentence(:not_shown),
                  source: :record,
                  ref: sight.ref,
                  look_at: soon(step_state.since)
                )
              )
            end

            problem(
              sentence(:late, until: ends),
              source: :record,
              ref: sight.ref,
              yours: true,
              look_at: now + 21_600,
              which_end: true
            )
          end

          # From now on the name belongs to the gaining account; a spent code is wiped.
          def arrive
            ports.names.put(name, gaining.id, at: now)
            ports.names.forget(plan.name, :account)
            ports.notes.end_with_account(plan.name)
            ports.codes.wipe(plan.name)
          end
        end
      end
    end
  end
end
