# frozen_string_literal: true

require "monitor"

module SteadyMove
  module Desk
    module Engine
      # Workers by connection: what waits for one registrar keeps nobody else waiting. A worker
      # lives as long as it has work. What goes over one session still goes one by one; meanwhile
      # another worker writes down what came of it.
      class WorkerPools
        # A lane that hangs; seconds: since its oldest work began; waiting: pieces of work behind
        # it.
        Stuck = Struct.new(:lane, :seconds, :waiting, keyword_init: true)
        # Workers of one lane.
        WIDTH = 3

        # on_error: called with what escaped from a piece of work; on_done: after each, so that what
        # follows from it is begun.
        def initialize(on_error: nil, on_done: nil)
          @on_error = on_error
          @on_done = on_done
          @queues = {}
          @workers = Hash.new(0)
          @busy = Set.new
          @in_hand = {}
          @begun = {}
          @error = nil
          @monitor = Monitor.new
          @changed = @monitor.new_cond
        end

        # Puts work into a lane, unless the same is in hand already. key: [move, what]; steps of one
        # move are done one by one in a lane. Returns whether it was put there.
        def push(lane, key, &work)
          @monitor.synchronize do
            next false if @in_hand.key?(key)

            @in_hand[key] = lane
            (@queues[lane] ||= []) << [key, work]
            open_lane(lane) if @workers[lane] < WIDTH
            true
          end
        end

        # Waits until nothing is in hand, or for so many seconds; raises what escaped from a piece
        # of work.
        def wait(seconds = nil)
          ends = seconds && (monotonic + seconds)
          @monitor.synchronize do
            while @in_hand.any? && (ends.nil? || monotonic < ends)
              @changed.wait(ends && (ends - monotonic))
            end
            error = @error
            @error = nil
            raise error if error
          end
        end

        # Which lanes have work in hand, with how much: {lane => count}.
        def busy = @monitor.synchronize { @in_hand.values.tally }

        # Pools whose oldest work under way began longer ago than so many seconds: [Stuck].
        def stuck(seconds)
          @monitor.synchronize do
            @begun
              .group_by { |key, _| @in_hand[key] }
              .filter_map do |lane, works|
                since = monotonic - works.map(&:last).min
                if since >= seconds
                  Stuck.new(lane: lane, seconds: since.round, waiting: @queues[lane].to_a.size)
                end
              end
          end
        end

        private

        def open_lane(lane)
          @workers[lane] += 1
          Thread.new do
            Thread.current.name = "lane #{lane}"
            while (key, work = take(lane))
              run(work)
              @monitor.synchronize do
                [@in_hand, @begun].each { |h| h.delete(key) }
                @busy.delete([lane, key.first])
                @changed.broadcast
              end
              run(@on_done) if @on_done
            end
          end
        end

        # The next piece of work, of a move that no other worker of the lane is busy with; where
        # there is none the worker goes. Whoever is busy with that move comes back for the rest.
        def take(lane)
          @monitor.synchronize do
            index = @queues[lane]&.index { |key, _| !@busy.include?([lane, key.first]) }
            next leave(lane) unless index

            @queues[lane]
              .delete_at(index)
              .tap do |key, _|
                @busy << [lane, key.first]
                @begun[key] = monotonic
              end
          end
        end

        def leave(lane)
          @workers[lane] -= 1
          [@workers, @queues].each { |lanes| lanes.delete(lane) } if @workers[lane].zero?
          nil
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
end
