# frozen_string_literal: true

module SteadyMove
  module Desk
    module Acts
      # What must hold after landing, each with the sentence that is said when it does not.
      module Checks
        module_function

        # Returns a list of sentences; empty where everything is as ordered.
        def failures(job)
          record = job.public_record
          [
            ("The registrar is #{record.registrar}, not #{job.gaining.registrar}." unless record.registrar == job.gaining.registrar),
            expiry(job, record),
            ("The transfer lock is not on." if job.plan.options.include?(:lock) && !record.statuses.include?(Registration::LOCK)),
            *records(job, record)
          ].compact
        end

        # The expiry as computed from the landing instant (core/expiry.rb).
        def expected_expiry(job)
          landed = job.move.events.reverse.find { |e| e.step == "landed" && e.done? }
          return unless landed && job.plan.expires_at

          Core::Expiry.after_move(expires_at: job.plan.expires_at, landed_at: landed.data["landed_at"] || landed.at, years: job.plan.years).expires_at
        end

        def sentence(job)
          parts = ["registrar", "expiry", ("lock" if job.plan.options.include?(:lock)), ("name servers and records" if job.plan.carry?)].compact
          "Checked and as planned: #{parts.join(', ')}."
        end

        def expiry(job, record)
          expected = expected_expiry(job)
          return if expected.nil? || record.expires_at == expected

          "The expiry is #{job.mark(record.expires_at)}; #{job.mark(expected)} was expected."
        end

        def records(job, record)
          return [] unless job.plan.carry?

          wanted = job.new_host.name_servers.sort
          return ["The name servers are #{record.name_servers.join(', ')}."] unless record.name_servers.sort == wanted

          Zones.new(job.app).deviations(wanted, job.app.keepings.zone(job.move.id, "old", job.plan.name)).map { |d| "#{d.says}." }
        end
        private_class_method :expiry, :records
      end
    end
  end
end
