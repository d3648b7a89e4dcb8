# frozen_string_literal: true

module SteadyMove
  module Desk
    module Common
      # What was last heard of each connection, mailbox and mail server; kept over restarts.
      class LastHeard
        PLACE = "heard."
        # Key of the list of public record services.
        SERVICES = "services"
        # Seconds after which an unchanged word is written down again.
        EVERY = 60

        # state: Store::SystemState; watch: answers seconds that pass by themselves, whatever the
        # desk's clock does: what is said over and over is not written over and over.
        def initialize(state, watch: -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) })
          @state = state
          @watch = watch
          @lock = Mutex.new
          @all = state.under(PLACE).transform_values { |row| read(row) }
          @written = {}
        end

        # {key => Heard}.
        def all = @lock.synchronize { @all.dup }
        def [](key) = @lock.synchronize { @all[key.to_s] }

        # key: e.g. an account's id. Returns the Heard.
        def note(key, at:, well:, says:)
          heard, changed = @lock.synchronize { take(key.to_s, at, well, says) }
          write(key.to_s, heard) if changed
          heard
        end

        # Nothing rests on it any more.
        def forget(key)
          @lock.synchronize { [@all, @written].each { |h| h.delete(key.to_s) } }
          @state.delete("#{PLACE}#{key}")
        end

        private

        def take(key, at, well, says)
          was = @all[key]
          heard =
            Heard.new(
              at: at,
              well: well,
              says: says,
              well_at: well ? at : was&.well_at,
              failing_since: well ? nil : (was&.failing_since || at)
            ).freeze
          @all[key] = heard
          changed =
            was.nil? || was.well != well || @written[key].nil? ||
              @watch.call - @written[key] >= EVERY
          @written[key] = @watch.call if changed
          [heard, changed]
        end

        # What can't be written down just now is known all the same.
        def write(key, heard)
          times = %i[at well_at failing_since].to_h { |k| [k, heard[k]&.to_i] }
          @state["#{PLACE}#{key}"] = heard.to_h.merge(times)
        rescue Sequel::DatabaseError
          nil
        end

        def read(row)
          times = %w[at well_at failing_since].to_h { |k| [k.to_sym, Store::Values.time(row[k])] }
          Heard.new(well: row["well"], says: row["says"], **times).freeze
        end
      end
    end
  end
end
