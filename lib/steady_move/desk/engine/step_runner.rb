# frozen_string_literal: true

require "securerandom"

module SteadyMove
  module Desk
    module Engine
      # Takes due steps, acts or looks, writes down what came of it and when it looks again. What is
      # due is asked of the schedule; each connection has a lane of its own. Several runners on one
      # database never do a step twice: each step is taken before it is done.
      class StepRunner
        BACK_OFF = [60, 120, 300, 900, 1800, 3600].freeze
        ROUNDS = 200
        # So many moves are read, and scheduled in one transaction, at once.
        BATCH = 100

        attr_reader :id

        # Mail, the list of services and alerts, for whoever asks for them now.
        def post = @errands.post
        def bootstrap = @errands.bootstrap
        def alerts = @errands.alerts

        # on_error: called with what nobody foresaw in a step.
        def initialize(ports, on_error: ->(e) { warn e.message })
          @ports = Ports.of(ports)
          @id = SecureRandom.hex(4)
          @on_error = on_error
          @passing, @dispatching = Array.new(2) { Mutex.new }
          @following = false
          @outcomes = Hash.new(0)
          @counting = Mutex.new
          @lanes = WorkerPools.new(on_error: on_error, on_done: -> { dispatch if @following })
          @errands = BackgroundTasks.new(@ports, self, @lanes, on_error: on_error)
          @for_acts = Moves::StepPorts.of(@ports)
        end

        # Everything that is due now and all that follows from it; comes back when it is done.
        def pass
          @passing.synchronize do
            ROUNDS.times do
              begun = dispatch
              @lanes.wait
              break unless begun
            end
          end
        end

        # Begins what is due and in nobody's hands, and comes back at once. Returns whether anything
        # was begun.
        def dispatch
          @dispatching.synchronize do
            begun = @errands.begin
            follow_journal
            @ports
              .schedule
              .due(now: @ports.now)
              .each_slice(BATCH) { |part| begun = begin_steps(part) || begun }
            begun
          end
        end

        # From now on what follows from a piece of work is begun as soon as it is done; what was cut
        # off in the middle by the end of an earlier process is looked at at once.
        def follow
          @following = true
          @ports.schedule.wake_interrupted(@ports.now)
        end

        # Begins nothing more; waits so many seconds for what is under way.
        def rest(seconds)
          @following = false
          @lanes.wait(seconds)
        end

        # Does another runner hold a step just now?
        def others_at_work? = @ports.schedule.held_by_others?(@id, now: @ports.now)

        # When a step is due next; nil where nothing is under way.
        def next_look =
          [@ports.schedule.next_look(after: @ports.now), @errands.next_look].compact.min

        # {lane => pieces of work in hand}.
        def busy = @lanes.busy

        # Pools that hang: WorkerPools#stuck.
        def stuck(seconds) = @lanes.stuck(seconds)

        # {outcome => how many steps ended so since the start}.
        def outcomes = @counting.synchronize { @outcomes.dup }

        private

        # Moves whose journal grew: their active steps are scheduled, those that ended are closed.
        def follow_journal
          @ports
            .schedule
            .stirred
            .each_slice(BATCH) do |ids|
              ended =
                @ports.db.transaction do
                  @ports
                    .moves
                    .find_all(ids)
                    .select { |move| @ports.schedule.sync(move, now: @ports.now) }
                end
              ended.each { |move| aftermath(move.id) }
            end
        end

        # When a move is over its name is looked at once more.
        def aftermath(id)
          move = @ports.moves.find(id)
          holder = @ports.names.find(move.name)&.fetch(:account_id) or return
          @lanes.push("record", [id, :aftermath]) do
            Portfolio::Observe.new(@ports).name(
              Core::Names::DomainName.held(move.name),
              @ports.accounts.find(holder)
            )
          end
        end

        # Returns whether any was begun.
        def begin_steps(part)
          moves = @ports.moves.find_all(part.map(&:move_id).uniq).to_h { |m| [m.id, m] }
          part.map { |due| begin_step(due, moves[due.move_id]) }.any?
        end

        def begin_step(due, move)
          step = move&.state&.[](due.step)
          return drop(due) && false unless step&.active?

          @lanes.push(lane(move, step.step), [due.move_id, due.step]) { attempt(due) }
        end

        # A step that is due and not active any more, or not yet: it comes again when it is.
        def drop(due) = @ports.schedule.drop(due.move_id, due.step)

        # Whose connection a step uses: where a person does it, the public record is looked at.
        def lane(move, step)
          account =
            { "losing" => move.from_account, "gaining" => move.to_account }[
              step.by_hand? && step.proof ? "record" : step.talks_to
            ]
          return "account #{account}" if account

          step.talks_to == "dns" ? "dns #{move.plan.new_host}" : "record"
        end

        def attempt(due)
          return unless @ports.schedule.take(due.move_id, due.step, now: @ports.now, holder: @id)

          move = @ports.moves.find(due.move_id)
          return drop(due) unless move.state[due.step]&.active?

          report(move, due.step, carry_out(move, due.step))
        rescue Moves::StepContext::HoldLost
          nil # another runner goes on with it
        end

        def carry_out(move, step)
          job = Moves::StepContext.new(@for_acts, move, step, @ports.now, holder: @id)
          Moves::Act.call(job)
        rescue Wire::Refused => e
          refused(job, e)
        rescue Wire::Error => e
          pause = e.retry_after if e.is_a?(Wire::Busy)
          says = job.sentence("acts.outside", says: e.says.sub(/\A\w/, &:upcase))
          job.problem(says, source: :connection, look_at: pause && (@ports.now + pause))
        rescue Refused => e
          job.problem(e.phrase, source: :desk, yours: true)
        rescue Moves::StepContext::HoldLost, Sequel::DatabaseError
          raise
        rescue StandardError => e
          unforeseen(job, e)
        end

        # A refusal that the act itself had no answer to goes by what its code means.
        def refused(job, error)
          epp = error.code.is_a?(Integer) && error.code.between?(2000, 2999)
          meaning = epp ? Core::Moves::Answers.meaning(nil, error.code) : :theirs
          yours = Core::Moves::Answers.for_a_person?(meaning)
          says =
            job.sentence(
              "answers.#{meaning}",
              says: error.says.sub(/\A\w/, &:upcase),
              code: error.code
            )
          job.problem(
            says,
            source: :connection,
            yours: yours,
            look_at: yours ? @ports.now + 3600 : nil
          )
        end

        # What nobody foresaw holds up its own step only; it is written to the log as well.
        def unforeseen(job, error)
          @on_error.call(error)
          job.problem(
            job.sentence("acts.unforeseen", error: error.class.name),
            source: :desk,
            yours: true
          )
        end

        # A result is written down only while the step is still held; with it what is to be done
        # next is scheduled.
        def report(move, step, outcome)
          @counting.synchronize { @outcomes[outcome.kind] += 1 }
          ended =
            @ports.db.transaction do
              next unless @ports.schedule.holds?(move.id, step, @id) && write(move, step, outcome)

              @ports.schedule.sync(@ports.moves.find(move.id), now: @ports.now)
            end
          aftermath(move.id) if ended
        end

        # Returns whether the journal has grown with it.
        def write(move, step, outcome)
          case outcome.kind
          when "done"
            finish(move, step, outcome)
          when "ended"
            note(move, step, outcome.data.fetch("as", "refused"), outcome)
          when "resumed"
            note(move, step, "resumed", outcome)
          else
            later(move, step, outcome)
          end
        end

        def finish(move, step, outcome)
          note(move, step, "done", outcome)
          return true unless move.state[step].step.trait?(:settles)

          @ports.journal.add(
            "settled",
            at: @ports.now,
            says: Words.phrase("journal.settled", name: move.name),
            by: "desk",
            move_id: move.id,
            name: move.name
          )
        end

        # Waiting and problems are written down once, and again only when they say something new.
        def later(move, step, outcome)
          outcome = Moves::Patience.new(@ports, move, step).with(outcome)
          problem = outcome.kind == "problem"
          attempts = problem ? @ports.schedule.attempts(move.id, step) + 1 : 0
          look_at = outcome.look_at || back_off(attempts)
          @ports.schedule.look_again(
            move.id,
            step,
            at: look_at,
            now: @ports.now,
            attempts: attempts
          )
          if said_already?(move, step, outcome)
            false
          else
            note(move, step, outcome.kind, outcome, "yours" => outcome.yours)
          end
        end

        def said_already?(move, step, outcome)
          last = move.state.last_of(step)
          return false unless last && last.type == outcome.kind
          return false unless told(last) == told(outcome)

          return last.says == Words.text(outcome.says) unless last.phrase

          Store::Values.dump(last.phrase) == Store::Values.dump(outcome.says)
        end

        # What a person is to type may change while its sentence stays.
        def told(what) = what.data[Common::Zones::DS_WANTED]

        def back_off(attempts)
          base = BACK_OFF[[attempts - 1, BACK_OFF.size - 1].min]
          @ports.now + (base * (0.9 + (0.2 * @ports.random.rand))).round
        end

        def note(move, step, type, outcome, data = {})
          @ports.journal.add(
            type,
            at: @ports.now,
            says: outcome.says,
            by: "desk",
            move_id: move.id,
            name: move.name,
            step: step,
            evidence: outcome.evidence,
            data: outcome.data.merge(data.compact)
          )
        end
      end
    end
  end
end
