# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      # One step of one move at one moment, with what an act needs to do it.
      class StepContext
        # Another runner holds the step now: nothing more is done in it here.
        class HoldLost < StandardError
        end

        attr_reader :ports, :move, :id, :at

        # ports: StepPorts; move: as it is now; id: of the step; at: Time; holder: whose hold it is
        # in, nil where nobody else could act.
        def initialize(ports, move, id, at, holder: nil)
          @ports = ports
          @move = move
          @id = id
          @at = at
          @holder = holder
        end

        def plan = move.plan
        def state = move.state
        def now = ports.now
        # Names of accounts and hosts for the sentences.
        def words = @words ||= Common::MoveWords.values(plan, ports.accounts)
        # The step as it stands in this plan.
        def step_state = state[id]
        def step = step_state.step
        def by_hand? = step_state&.step&.by_hand? || false
        def name = @name ||= Core::Names::DomainName.held(plan.name)
        def losing = ports.accounts.find(plan.from)
        def gaining = ports.accounts.find(plan.to)
        # Whose step it is: the side that has the name then.
        def side = step.place == "gaining" ? gaining : losing
        def new_host = ports.accounts.host_of(plan.new_host)
        # The old DNS host, as it was known when the plan was made; nil where it was not.
        def old_host = plan.old_host && ports.accounts.host_of(plan.old_host)

        # A sentence of this step, or with a String one from elsewhere in the catalogue; the move's
        # own words are always in it.
        def sentence(key, **values)
          Words.phrase(key.is_a?(Symbol) ? "steps.#{id}.#{key}" : key, **words, **values)
        end

        # Writes down what is about to be done, then yields its key (an EPP clTRID), so that a crash
        # in between is seen. The hold is asked for once more in the same breath: one that has ended
        # acts no more.
        def intend(says)
          key =
            ports.db.transaction do
              raise HoldLost if @holder && !ports.schedule.holds?(move.id, id, @holder, now: now)

              number =
                ports.journal.of_move(move.id).count { |e| e.step == id && e.type == "intended" } +
                  1
              write(
                "intended",
                says,
                data: {
                  "key" => "sm-#{move.id}-#{id}-#{number}"
                }
              ).data.fetch("key")
            end
          yield key
        end

        # Declares that an earlier step's proof no longer holds.
        def reopen(step, says) = write("reopened", says, step: step)

        # The approval that a person asked for beforehand is given, on that person's word.
        def approve_as_wished
          write(
            "approved",
            Words.phrase("journal.approved_as_wished", by: state.wished_by, **words)
          )
        end

        # Sends one EPP command over an account's connection and returns its data.
        def epp(account, xml) = ports.epp.with(account) { |c| c.request(xml) }.data

        # A key for commands that change nothing.
        def ask_key = "ask-#{ports.random.rand(10**9)}"

        # The name as one side's registrar keeps it.
        def info(account, code: nil)
          epp(account, Wire::Epp::Commands.info(name: plan.name, id: ask_key, auth_info: code))
        end

        # The public record as it is now.
        def public_record = ports.rdap.domain(name)

        def done(says, source:, ref: nil, **data)
          outcome("done", says, source: source, ref: ref, data: data)
        end

        def wait(says, source:, look_at:, ref: nil, **data)
          outcome("waiting", says, source: source, ref: ref, look_at: look_at, data: data)
        end

        def problem(says, source:, look_at: nil, yours: false, ref: nil, **data)
          outcome(
            "problem",
            says,
            source: source,
            ref: ref,
            look_at: look_at,
            yours: yours,
            data: data
          )
        end

        # as: the event that is written, “refused” where nothing else is said.
        def ended(says, source:, **data) = outcome("ended", says, source: source, data: data)
        def resumed(says, source:) = outcome("resumed", says, source: source)

        private

        def write(type, says, step: id, data: {})
          ports.journal.add(
            type,
            at: now,
            says: says,
            by: "desk",
            move_id: move.id,
            name: plan.name,
            step: step,
            data: data
          )
        end

        # source: a key of the catalogue's “sources”, alone or with its values, or a Phrase.
        def outcome(kind, says, source:, ref: nil, data: {}, look_at: nil, yours: false)
          key, values = source
          named =
            (
              if key.is_a?(Symbol)
                Words.say(:"sources.#{key}", **words, **(values || {}))
              else
                Words.text(source)
              end
            )
          Outcome.new(
            kind: kind,
            says: says,
            data: data.transform_keys(&:to_s),
            look_at: look_at,
            yours: yours,
            evidence: { "source" => named, "seen_at" => now, "ref" => ref }.compact
          )
        end
      end
    end
  end
end
