# frozen_string_literal: true

require "monitor"

module SteadyMove
  module Desk
    module Accounts
      # Signed-in EPP sessions by account, kept open between uses and opened anew when they fail.
      class Connections
        # clock: answers now, for saying when each was last heard; told: LastHeard; both may be nil.
        def initialize(timeout:, clock: nil, told: nil)
          @timeout = timeout
          @clock = clock
          @guard = Monitor.new
          @sessions = {}
          @locks = Hash.new { |h, k| h[k] = Monitor.new }
          @told = told
          @silent = {}
        end

        # Yields a client for the account; one use at a time. A session that broke while idle is
        # opened anew once, but a command that was sent is never sent again here. Whoever stood in
        # line while the other side gave no answer hears that at once, instead of waiting for the
        # same each after the other.
        def with(account, &)
          came = monotonic
          lock = @guard.synchronize { @locks[account.id] }
          lock.synchronize do
            share_silence(account.id, came)
            use(account, &)
          end
        end

        def close
          @guard.synchronize { @sessions.each_key { |id| drop(id) } }
        end

        private

        def use(account)
          yield(live(account)).tap { hear(account, true, Words.say(:"connections.answered")) }
        rescue Wire::Refused
          hear(account, true, Words.say(:"connections.answered"))
          raise
        rescue Wire::Error => e
          hear(account, false, e.says)
          @silent[account.id] = [monotonic, e] if e.is_a?(Wire::Unreachable)
          drop(account.id)
          raise
        end

        def share_silence(id, came)
          at, error = @silent[id]
          raise error.dup if at && at > came
        end

        def monotonic = Process.clock_gettime(Process::CLOCK_MONOTONIC)

        def hear(account, well, says)
          @told&.note(account.id, at: @clock&.now, well: well, says: says)
        end

        # A session that still answers <hello>, or a new one.
        def live(account)
          session = @sessions[account.id]
          return session if session&.alive?

          drop(account.id)
          @sessions[account.id] = Wire::Epp::Client.open(endpoint(account))
        end

        def endpoint(account)
          c = account.connection.transform_keys(&:to_sym)
          { timeout: @timeout, **c, password: account.secret }
        end

        def drop(id)
          @sessions.delete(id)&.hang_up
        end
      end
    end
  end
end
