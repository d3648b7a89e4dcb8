# frozen_string_literal: true

require "securerandom"

module SteadyMove
  module Desk
    # Takes due steps of all open moves, acts or looks, writes down what came of it and when it looks again.
    # Several runners on one database never do a step twice: each step is taken before it is done.
    class Runner
      BACK_OFF = [60, 120, 300, 900, 1800, 3600].freeze
      ROUNDS = 30

      attr_reader :id, :post

      # on_error: called with what nobody foresaw in a step.
      def initialize(app, on_error: ->(e) { warn e.message })
        @app = app
        @id = SecureRandom.hex(4)
        @post = PostRoom.new(app, on_error: on_error)
        @on_error = on_error
        @one_at_a_time = Mutex.new
      end

      # One pass over everything that is due now.
      def pass
        @one_at_a_time.synchronize do
          @post.fetch_if_due
          @app.moves.open.each { |move| advance(move.id) }
        end
      end

      # Does another runner hold a step just now?
      def others_at_work? = @app.moves.held_by_others?(@id, now: @app.now)

      # When a step is due next; nil where nothing is under way.
      def next_look = @app.moves.next_look(after: @app.now)

      private

      def advance(id)
        ROUNDS.times do
          move = @app.moves.find(id)
          @app.moves.forget(id, move.state.steps.select(&:done?).map { |s| s.step.id })
          break close(move) unless move.state.open?
          break unless move.state.active.map { |s| attempt(move, s.step.id) }.any?
        end
      end

      # True where the step got further.
      def attempt(move, step)
        now = @app.now
        return false unless @app.moves.take(move.id, step, now: now, holder: @id)

        fresh = @app.moves.find(move.id)
        return false unless fresh.state.active.any? { |s| s.step.id == step }

        report(fresh, step, carry_out(fresh, step, now))
      end

      def carry_out(move, step, now)
        job = Acts::Job.new(@app, move, step, now)
        Acts.call(job)
      rescue Wire::Error => e
        pause = e.retry_after if e.is_a?(Wire::Busy)
        job.problem("#{e.says.sub(/\A\w/, &:upcase)}. Nothing is lost; it is tried again.", source: "connection", look_at: pause && (@app.now + pause))
      rescue Sequel::DatabaseError
        raise
      rescue StandardError => e
        unforeseen(job, e)
      end

      # What nobody foresaw holds up its own step only; it is written to the log as well.
      def unforeseen(job, error)
        @on_error.call(error)
        job.problem("Something went wrong inside the desk at this step (#{error.class}); it was written to the log. It is tried again.", source: "desk", yours: true)
      end

      def report(move, step, outcome)
        @app.db.transaction(mode: :immediate) do
          @app.moves.holds?(move.id, step, @id) ? write(move, step, outcome) : false
        end
      end

      def write(move, step, outcome)
        case outcome.kind
        when "done" then finish(move, step, outcome)
        when "ended" then note(move, step, "refused", outcome) && true
        else later(move, step, outcome)
        end
      end

      def finish(move, step, outcome)
        note(move, step, "done", outcome)
        @app.moves.forget(move.id, step)
        @app.journal.add("settled", at: @app.now, says: "#{move.name} is settled.", by: "desk", move_id: move.id, name: move.name) if step == "check-landed"
        true
      end

      # Waiting and problems are written down once, and again only when they say something new.
      def later(move, step, outcome)
        problem = outcome.kind == "problem"
        attempts = problem ? @app.moves.attempts(move.id, step) + 1 : 0
        @app.moves.look_again(move.id, step, at: outcome.look_at || back_off(attempts), attempts: attempts)
        last = move.events.reverse.find { |e| e.step == step && %w[done waiting problem].include?(e.type) }
        return false if last && last.type == outcome.kind && last.says == outcome.says

        note(move, step, outcome.kind, outcome, "yours" => outcome.yours)
        @app.moves.find(move.id).state.active.any? { |s| s.step.id != step && s.phase == "due" }
      end

      def back_off(attempts)
        base = BACK_OFF[[attempts - 1, BACK_OFF.size - 1].min]
        @app.now + (base * (0.9 + (0.2 * @app.random.rand))).round
      end

      def note(move, step, type, outcome, data = {})
        @app.journal.add(type, at: @app.now, says: outcome.says, by: "desk", move_id: move.id, name: move.name, step: step,
                               evidence: outcome.evidence, data: outcome.data.merge(data.compact))
      end

      def close(move)
        @app.moves.close(move.id)
        Observe.new(@app).name(Core::Names::DomainName.held(move.name), @app.accounts.find(@app.names.find(move.name)[:account_id]))
      end
    end
  end
end
