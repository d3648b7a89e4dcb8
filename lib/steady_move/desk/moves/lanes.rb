# frozen_string_literal: true

require "monitor"

module SteadyMove
  module Desk
    # Workers by connection: what waits for one registrar keeps nobody else waiting. A worker lives as long as it has
    # work.
    class Lanes
      # on_error: called with what escaped from a piece of work; on_done: after each, so that what follows from it is
      # begun.
      def initialize(on_error: nil, on_done: nil)
        @on_error = on_error
        @on_done = on_done
        @lanes = {}
        @in_hand = {}
        @error = nil
        @monitor = Monitor.new
        @changed = @monitor.new_cond
      end

      # Puts work into a lane, unless the same (by key) is in hand already. Returns whether it was put there.
      def push(lane, key, &work)
        @monitor.synchronize do
          next false if @in_hand.key?(key)

          @in_hand[key] = lane
          queue = (@lanes[lane] ||= [])
          queue << [key, work]
          open_lane(lane, queue) if queue.size == 1
          true
        end
      end

      # Waits until nothing is in hand, or for so many seconds; raises what escaped from a piece of work.
      def wait(seconds = nil)
        ends = seconds && (monotonic + seconds)
        @monitor.synchronize do
          @changed.wait(ends && (ends - monotonic)) while @in_hand.any? && (ends.nil? || monotonic < ends)
          error = @error
          @error = nil
          raise error if error
        end
      end

      # Which lanes have work in hand, with how much: {lane => count}.
      def busy = @monitor.synchronize { @in_hand.values.tally }

      private

      # The first of a queue stays in it while it is done, so that a lane with work is known by its queue.
      def open_lane(lane, queue)
        Thread.new do
          Thread.current.name = "lane #{lane}"
          while (key, work = @monitor.synchronize { queue.first })
            run(work)
            @monitor.synchronize do
              queue.shift
              @lanes.delete(lane) if queue.empty?
              @in_hand.delete(key)
              @changed.broadcast
            end
            run(@on_done) if @on_done
          end
        end
      end

      def run(work)
        work.call
      rescue StandardError => e
        @on_error&.call(e)
        @monitor.synchronize { @error ||= e }
      end

      def monotonic = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    end
  end
end
