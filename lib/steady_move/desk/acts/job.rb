# frozen_string_literal: true

module SteadyMove
  module Desk
    module Acts
      # One step of one move at one moment, with what an act needs to do it.
      class Job
        attr_reader :app, :move, :step, :at

        def initialize(app, move, step, at)
          @app = app
          @move = move
          @step = step
          @at = at
        end

        def plan = move.plan
        def state = move.state
        def words = plan.words
        # The step as it stands in this plan.
        def step_state = state[step]
        def by_hand? = step_state&.step&.by_hand? || false
        def name = @name ||= Core::Names::DomainName.held(plan.name)
        def losing = app.accounts.find(plan.from)
        def gaining = app.accounts.find(plan.to)
        def new_host = app.accounts.host_of(plan.new_host)

        # The old DNS host, as it was known when the zone was fetched.
        def old_host = app.accounts.hosts.find { |h| h.title == words[:old_host] }

        # Writes down what is about to be done, then yields its key (an EPP clTRID), so that a crash in between is seen.
        def intend(says)
          key = "sm-#{move.id}-#{step}-#{state.tries(step) + 1}"
          app.journal.add("intended", at: app.now, says: says, by: "desk", move_id: move.id, name: plan.name, step: step, data: { "key" => key })
          yield key
        end

        # Declares that an earlier step's proof no longer holds.
        def reopen(step, says)
          app.journal.add("reopened", at: app.now, says: says, by: "desk", move_id: move.id, name: plan.name, step: step)
        end

        # Sends one EPP command over an account's connection and returns its data.
        def epp(account, xml) = app.epp.with(account) { |c| c.request(xml) }

        # A key for commands that change nothing.
        def ask_key = "ask-#{app.random.rand(10**9)}"

        # The name as one side's registrar keeps it.
        def info(account, code: nil)
          epp(account, Wire::Epp::Commands.info(name: plan.name, id: ask_key, auth_info: code)).data
        end

        # The transfer as one side's registrar knows it (the gaining one's); nil where there is none (2301).
        def transfer(at: gaining)
          epp(at, Wire::Epp::Commands.transfer(op: "query", name: plan.name, id: ask_key)).data
        rescue Wire::Refused => e
          raise unless e.code == 2301

          nil
        end

        # The public record, kept as facts as well.
        def public_record = app.rdap.domain(name)

        def done(says, source:, ref: nil, **data) = outcome("done", says, source: source, ref: ref, data: data)
        def wait(says, source:, look_at:, ref: nil) = outcome("waiting", says, source: source, ref: ref, look_at: look_at)
        def problem(says, source:, look_at: nil, yours: false) = outcome("problem", says, source: source, look_at: look_at, yours: yours)
        def ended(says, source:) = outcome("ended", says, source: source)

        # An instant inside a sentence; the screen words it.
        def mark(time) = "<#{time.utc.strftime('%Y-%m-%dT%H:%M:%SZ')}>"

        private

        def outcome(kind, says, source:, ref: nil, data: {}, look_at: nil, yours: false)
          Outcome.new(kind: kind, says: says, data: data.transform_keys(&:to_s), look_at: look_at, yours: yours,
                      evidence: { "source" => source, "seen_at" => app.now, "ref" => ref }.compact)
        end
      end
    end
  end
end
