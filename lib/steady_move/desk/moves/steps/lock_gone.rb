# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Waits until the public record no longer shows the lock: usually a quarter of an hour, up
        # to an hour, sometimes longer (common practice, no source).
        class LockGone < Act
          LATE = 3600

          def call
            record = public_record
            return done(sentence(:done), source: :record, ref: record.url) if record.lock.no?

            since = step_state.since
            late = now - since > LATE
            wait(
              sentence(late ? :late : :not_yet, since: since),
              source: :record,
              ref: record.url,
              look_at: late ? now + 1800 : soon(since)
            )
          end
        end
      end
    end
  end
end
