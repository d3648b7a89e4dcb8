# frozen_string_literal: true

module Practice
  module DeskSide
    # Moves the practice clock on while the desk lives through the time in between: whatever falls
    # due, there or here, happens at its own instant.
    class Driver
      STEPS_MOST = 2000
      # Hundredths of a second; a runner that was killed never lets go, and is waited for no longer.
      PATIENCE = 50
      QUARTER = 900
      # The furthest that the way to the next news goes at once, in seconds.
      FAR = 2 * 86_400

      # news: answers what stands on the desk by now; whatever changes it is news.
      def initialize(link, clock, runner, news: -> {})
        @link = link
        @clock = clock
        @runner = runner
        @news = news
        @lock = Mutex.new
      end

      # {now, next_event, faults}; next_event counts the desk's own next look as well.
      def state
        state = @link.state
        state.merge("next_event" => soonest(state)&.iso8601)
      end

      # Moves on to a Time, or to the next event where nil is given. Returns the state.
      def move_on(to: nil)
        @lock.synchronize do
          @runner.pass # what is due by now comes first, also a pass that is just under way
          target = to || soonest(@link.state)
          run_to(target) if target
          state
        end
      end

      # Moves on from event to event until one brings news, as nobody wants to sit through checks
      # that find nothing; two days at most, unless nothing at all happens in them. Returns the
      # state.
      def move_on_to_news
        @lock.synchronize do
          @runner.pass
          before = @news.call
          far = Time.iso8601(@link.state["now"]) + FAR
          while (stop = soonest(@link.state))
            run_to(stop)
            break if stop >= far || @news.call != before
          end
          state
        end
      end

      # Lets one thing happen, and the desk live through the quarter of an hour after it. Raises
      # ArgumentError with the reason.
      def let_happen(id)
        @lock.synchronize do
          run_to(Time.iso8601(@link.let_happen(id).fetch("now")) + QUARTER)
          state
        end
      end

      def fault(id, detail) = @link.fault(id, detail)
      def runs? = !@link.state["rate"].zero?

      private

      def run_to(target)
        STEPS_MOST.times do
          wait_for_others
          stop = soonest(@link.state)
          stop = target if stop.nil? || stop > target
          step_to(stop)
          break if stop >= target
        end
      end

      # A runner in another process has two minutes of the clock for a step; a clock that jumps over
      # them would take it away half-way.
      def wait_for_others
        PATIENCE.times do
          return unless @runner.others_at_work?

          IO.select(nil, nil, nil, 0.01)
        end
      end

      def step_to(time)
        @link.move_to(time)
        @clock.sync
        @runner.post.fetch
        @runner.pass
      end

      # The next thing that happens, in the world or on the desk; never in the past.
      def soonest(state)
        now = Time.iso8601(state["now"])
        [state["next_event"] && Time.iso8601(state["next_event"]), @runner.next_look].compact
          .select { |t| t > now }
          .min
      end
    end
  end
end
