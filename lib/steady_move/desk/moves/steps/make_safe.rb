# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # After a refusal or a call-off: nothing pending, the lock on again, the code wiped. First
        # it is looked where the name is: what has been released is not taken back, the move goes on
        # as landed. The lock counts as on once the public record shows it and nothing that was
        # asked for can take it off any more.
        class MakeSafe < Act
          include Transfers
          include Locking

          # How long a lock may take to show before a person is asked.
          LATE = 86_400

          def call
            return released if whereabouts == :released
            return still_pending if still_pending?

            undo_order
            return done(sentence(:done), source: [:epp, { at: losing.title }]) unless locks?

            put_lock(losing)
            watch(public_record)
          end

          def by_hand
            return released if whereabouts == :released

            still_pending? ? still_pending : super
          end

          # The same where the lock is put on by hand.
          def safe
            undo_order
            unless locks?
              return Seen.new(done: true, says: sentence(:done), source: :transfer_query)
            end

            by_record { |r| r.lock.yes? && !may_come_off? }.tap do |seen|
              seen.not_yet = sentence(:may_come_off, until: comes_off_until) if may_come_off?
            end
          end

          private

          def watch(record)
            on = record.lock.to_value
            return look_again(:may_come_off, until: comes_off_until) if may_come_off?
            unless on == false
              return(
                done(sentence(on ? :done_locked : :done_unshown), source: :record, ref: record.url)
              )
            end

            since = state.first_try_at(step.id) || now
            return look_again(:not_shown_yet) if now < since + LATE

            problem(sentence(:still_off), source: :record, yours: true, look_at: now + 3600)
          end

          def look_again(key, **values)
            wait(
              sentence(key, **values),
              source: :record,
              look_at: [now + 900, values[:until]].compact.min
            )
          end

          # An unlock that was asked for and not yet seen in the record may still take effect.
          def may_come_off? = (ends = comes_off_until) && now < ends

          def comes_off_until
            return if plan.with_trait(:lock).nil? || state.done?(plan.with_trait(:lock).id)

            plan
              .steps
              .select { |s| s.undo.include?(step.id) }
              .filter_map do |s|
                begun =
                  state.begun_at(s.id) || state.first_try_at(s.id) || state[s.id]&.done_at ||
                    maybe_at(s)
                begun && (begun + [s.takes.last, Core::Moves::Steps::SHOWS.last].max)
              end
              .max
          end

          # Shown to a person who may have done it until the very end, and said nothing.
          def maybe_at(step) = step.by_hand? && state.touched?(step.id) ? state.ended_at : nil
          def locks? = plan.options.include?(:lock)
          def released = resumed(sentence(:released), source: :transfer_query)

          # The code is wiped, and an order that went out is called off where it is still pending.
          def undo_order
            ports.codes.wipe_of_move(move.id)
            return if outside? || whereabouts != :pending

            intend(sentence(:cancelling)) do |key|
              epp(gaining, Commands.transfer(op: "cancel", name: plan.name, id: key))
            end
          end
        end
      end
    end
  end
end
