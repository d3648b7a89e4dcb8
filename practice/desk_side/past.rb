# frozen_string_literal: true

module Practice
  module DeskSide
    # Writes the scenario's finished and failed moves into the desk's journal, at their instants in
    # the past.
    class Past
      Moves = SteadyMove::Core::Moves
      # How each ending is told in the catalogue, and with what.
      ENDS = {
        "refused" => ["transfer.refused", { status: "clientRejected" }],
        "called-off" => ["journal.called-off", {}]
      }.freeze
      # Acts that are told before they are done.
      ACTS = {
        "unlock" => "steps.unlock.taking",
        "order" => "steps.order.ordering",
        "lock-back" => "acts.lock_on"
      }.freeze
      # Steps that took the time which the scenario names for another.
      TIMED = {
        "lock-gone" => "unlock",
        "registry-pending" => "order",
        "release" => "release",
        "landed" => "landed"
      }.freeze

      def initialize(app, scenario)
        @app = app
        @scenario = scenario
      end

      def call(by:)
        known = @app.names.all.map { |n| n[:name] }
        @scenario.past.each { |row| write(row, by) if known.include?(row["name"]) }
      end

      private

      def write(row, by)
        at = @scenario.start + (row["started"] * Scenario::DAY)
        plan = plan(row)
        id = @app.moves.start(plan, at: at)
        words = {
          **SteadyMove::Desk::Common::MoveWords.values(plan, @app.accounts),
          by: by,
          count: 1,
          until: at,
          at: at,
          what: "registrar, expiry, transfer lock"
        }
        note(id, row, "planned", at, phrase("journal.planned", words), by: by)
        at = live(id, row, plan, at, words)
        finish(id, row, at, words, by)
        @app.moves.close(id)
      end

      # The steps that were reached, each proven after its time. Returns the last instant.
      def live(id, row, plan, at, words)
        reached = { "settled" => nil, "refused" => :approval, "called-off" => :orders }.fetch(
          row["ends"]
        )
        plan
          .steps
          .take_while { |s| reached.nil? || !s.trait?(reached) }
          .reduce(at) do |now, step|
            if ACTS.key?(step.id)
              note(id, row, "intended", now, phrase(ACTS[step.id], words), step: step.id)
            end
            now += row["took"].fetch(TIMED[step.id].to_s, 5)
            note(
              id,
              row,
              "done",
              now,
              phrase(proof(step), words.merge(until: now + (5 * Scenario::DAY), at: now)),
              step: step.id
            )
            now
          end
      end

      # How a step's proof is told; a release of the past was silence.
      def proof(step)
        step.trait?(:approval) ? "transfer.approved_by_silence" : "steps.#{step.id}.done"
      end
      def phrase(key, words) = SteadyMove::Words.phrase(key, **words)

      def finish(id, row, at, words, by)
        if row["ends"] == "settled"
          return note(id, row, "settled", at, phrase("journal.settled", words))
        end

        key, more = ENDS.fetch(row["ends"])
        over = at + row["took"].fetch("release", 60)
        note(
          id,
          row,
          row["ends"],
          over,
          phrase(key, words.merge(at: over, **more)),
          by: row["ends"] == "called-off" ? by : "desk"
        )
        note(
          id,
          row,
          "done",
          over + 30,
          phrase("steps.make-safe.done_locked", words),
          step: "make-safe"
        )
      end

      def note(id, row, type, at, says, step: nil, by: "desk")
        evidence = by == "desk" ? { "source" => "the desk's earlier journal", "seen_at" => at } : {}
        @app.journal.add(
          type,
          at: at,
          says: says,
          by: by,
          move_id: id,
          name: row["name"],
          step: step,
          evidence: evidence
        )
      end

      def plan(row)
        servers = @app.names.facts(row["name"])[:name_servers]
        Moves::Plan.of(
          name: row["name"],
          from: row["from"],
          to: row["to"],
          options: %i[lock code],
          years: 1,
          response_days: 5,
          settle_seconds: 0,
          name_servers: servers,
          old_host: @app.accounts.host_serving(servers || [])&.id
        )
      end
    end
  end
end
