# frozen_string_literal: true

module SteadyMove
  module Desk
    module Acts
      # What must hold after landing: each thing as it was ordered beside what is found from outside.
      module Checks
        # what: a word; wanted, found: texts (instants as marks); ok: whether they agree.
        Check = Struct.new(:what, :wanted, :found, :ok, keyword_init: true) do
          def sentence = "The #{what}: #{found} is found, #{wanted} was ordered."
        end

        module_function

        # Returns [Check].
        def all(job)
          record = job.public_record
          [registrar(job, record), expiry(job, record), lock(job, record), *records(job, record)].compact
        end

        def registrar(job, record)
          check("registrar", job.gaining.registrar, record.registrar || "none")
        end

        # The expiry as computed from the landing instant (core/expiry.rb).
        def expiry(job, record)
          landed = job.move.events.reverse.find { |e| e.step == "landed" && e.done? }
          return unless landed && job.plan.expires_at && record.expires_at

          wanted = Core::Expiry.after_move(expires_at: job.plan.expires_at, landed_at: landed.data["landed_at"] || landed.at, years: job.plan.years)
          check("expiry", job.mark(wanted.expires_at), job.mark(record.expires_at))
        end

        def lock(job, record)
          return unless job.plan.options.include?(:lock)

          check("transfer lock", "on", record.statuses.include?(Registration::LOCK) ? "on" : "off")
        end

        def records(job, record)
          return [check("name servers", (job.plan.name_servers || record.name_servers).sort.join(", "), record.name_servers.sort.join(", "))] unless job.plan.carry?

          wanted = job.new_host.name_servers.sort
          zone = job.app.keepings.zone(job.move.id, "old", job.plan.name)
          bad = Zones.new(job.app).deviations(wanted, zone)
          [check("name servers", wanted.join(", "), record.name_servers.sort.join(", ")),
           Check.new(what: "records", wanted: "#{zone.content.size} record sets as before", ok: bad.empty?,
                     found: bad.empty? ? "all of them, at every name server" : bad.first(3).map(&:says).join("; "))]
        end

        def check(what, wanted, found) = Check.new(what: what, wanted: wanted, found: found, ok: wanted == found)
        private_class_method :registrar, :expiry, :lock, :records, :check
      end
    end
  end
end
