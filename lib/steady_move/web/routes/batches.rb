# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # Several names to one destination.
      module Batches
        extend Answers

        # A batch is work that goes on behind.
        module Helpers
          def batch
            account!(given["to"], "to")
            if given["host"] && !desk.accounts.host_of(given["host"])
              raise Problem.say(422, :no_host,
                given: given["host"])
            end

            names, to, host = given.values_at("names", "to", "host")
            job = application.jobs.start(by: me, of: names.size) do |j|
              where = { to: to, host: host, aims: given["aims"], own: given["own"] || {} }
              yield(Desk::Batch.new(desk), names, where, j).tap { nudge }
            end
            batch_shown(job)
          end

          def batch_shown(job) = work(job) { |rows| Views::ManualStepsView.batch(rows) }
        end

        on("proposeBatch") { batch { |b, names, where, job| b.propose(names, **where) { job.done += 1 } } }
        on("startBatch") { batch { |b, names, where, job| b.start(names, by: job.by, **where) { job.done += 1 } } }
        on("batchWork") { batch_shown(work_of(asked[:job])) }
      end
    end
  end
end
