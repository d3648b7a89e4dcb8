# frozen_string_literal: true

require "monitor"

module SteadyMove
  module Desk
    # Work that takes longer than an answer may, or that asks the outside: it goes on behind, and
    # tells how far it has come. A person has so much of it at once, and a lane, so that what waits
    # for one mute registrar keeps nobody else waiting.
    #
    #   job = jobs.start(by: "ada@…", of: 3) { |job| 3.times { job.done += 1 } }
    #   job.finished?
    class BackgroundJobs
      # done, of: how far; result: when finished; problem: a sentence where it failed; refused:
      # Refused, where it may not be.
      Job =
        Struct.new(:id, :by, :done, :of, :ended, :result, :problem, :refused, keyword_init: true) do
          def finished? = ended == true
          def inspect = "#<Job #{id}>"
        end
      KEPT = 100
      # Pieces of work that a person has under way at once; what is asked beyond is refused.
      EACH = 8
      # How many wait for a quick end at the same time; whoever comes beyond asks again.
      WAITING = 8

      # Seconds that a quick end is waited for.
      attr_reader :patience

      # on_error: called with what nobody foresaw; patience: seconds that a quick end is waited for.
      def initialize(random:, on_error:, patience: 0.8)
        @random = random
        @on_error = on_error
        @patience = patience
        @jobs = {}
        @lanes = Engine::WorkerPools.new(on_error: on_error)
        @waiting = 0
        @monitor = Monitor.new
        @ended = @monitor.new_cond
      end

      # of: how many things there are to do; the block gets the Job and counts its `done` up; its
      # value is the result. lane: whom it waits for; work of one lane is done by three workers,
      # without one by a worker of its own. Waits `patience` seconds for a quick one. Returns the
      # Job; raises Refused where the person has too much under way.
      def start(by:, of:, lane: nil, patience: @patience, &work)
        job = Job.new(id: @random.bytes(9).unpack1("H*"), by: by, done: 0, of: of)
        keep(job)
        @lanes.push(lane || job.id, [job.id, :job]) { run(job, work) }
        wait(job, patience)
        job
      end

      # A person's own job, or nil.
      def find(id, by:) = @monitor.synchronize { @jobs[id] }&.then { |j| j if j.by == by }

      # Waits for its end, at most so long as a quick one is waited for. Returns the Job.
      def wait(job, seconds = @patience)
        ends = monotonic + seconds
        @monitor.synchronize do
          next if @waiting >= WAITING

          @waiting += 1
          @ended.wait(ends - monotonic) until job.finished? || monotonic >= ends
          @waiting -= 1
        end
        job
      end

      private

      def run(job, work)
        job.result = work.call(job)
      rescue Refused => e
        job.refused = e
      rescue StandardError => e
        @on_error.call(e)
        job.problem = Words.say(:"web.work_failed", done: job.done, of: job.of)
      ensure
        @monitor.synchronize do
          job.ended = true
          @ended.broadcast
        end
      end

      def keep(job)
        @monitor.synchronize do
          busy = @jobs.count { |_, j| j.by == job.by && !j.finished? }
          raise Refused.new(:busy, :work_enough, count: busy) if busy >= EACH

          @jobs.delete(@jobs.find { |_, j| j.finished? }&.first) if @jobs.size >= KEPT
          @jobs[job.id] = job
        end
      end

      def monotonic = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    end
  end
end
