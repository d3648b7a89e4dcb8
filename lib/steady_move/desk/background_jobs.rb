# frozen_string_literal: true

module SteadyMove
  module Desk
    # Work that takes longer than an answer may: it goes on behind, and tells how far it has come.
    class BackgroundJobs
      # done, of: how far; result: when finished; problem: a sentence where it failed; refused:
      # Refused, where it may not be.
      Job =
        Struct.new(
          :id,
          :by,
          :done,
          :of,
          :result,
          :problem,
          :refused,
          :thread,
          keyword_init: true
        ) do
          def finished? = [result, problem, refused].any?
          def inspect = "#<Job #{id}>"
        end
      KEPT = 50

      # on_error: called with what nobody foresaw.
      def initialize(random:, on_error:)
        @random = random
        @on_error = on_error
        @jobs = {}
        @lock = Mutex.new
      end

      # of: how many things there are to do; the block gets the Job and counts its `done` up; its
      # value is the result. Waits `patience` seconds for a quick one. Returns the Job.
      def start(by:, of:, patience: 0.8, &work)
        job = Job.new(id: @random.bytes(9).unpack1("H*"), by: by, done: 0, of: of)
        keep(job)
        job.thread = Thread.new { run(job, work) }
        job.thread.join(patience)
        job
      end

      # A person's own job, or nil.
      def find(id, by:) = @lock.synchronize { @jobs[id] }&.then { |j| j if j.by == by }

      private

      def run(job, work)
        job.result = work.call(job)
      rescue Refused => e
        job.refused = e
      rescue StandardError => e
        @on_error.call(e)
        job.problem = Words.say(:"web.work_failed", done: job.done, of: job.of)
      end

      def keep(job)
        @lock.synchronize do
          @jobs.delete(@jobs.find { |_, j| j.finished? }&.first) if @jobs.size >= KEPT
          @jobs[job.id] = job
        end
      end
    end
  end
end
