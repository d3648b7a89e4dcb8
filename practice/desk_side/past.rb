# frozen_string_literal: true

module Practice
  module DeskSide
    # Writes the scenario's finished and failed moves into the desk's journal, at their instants in the past.
    class Past
      Moves = SteadyMove::Core::Moves
      SAYS = {
        "unlock" => "%<from>s keeps %<name>s as unlocked.", "lock-gone" => "The public record no longer shows the lock.",
        "get-code" => "The authorization code is in the code safe.", "check-code" => "The registry takes the code as the right one.",
        "order" => "%<to>s took the order.", "registry-pending" => "The registry holds the transfer as pending.",
        "release" => "The registry approved the transfer.", "landed" => "%<name>s is held at %<to>s.",
        "lock-back" => "The transfer lock is on at %<to>s.", "check-landed" => "Checked and as planned: registrar, expiry, transfer lock."
      }.freeze
      ENDS = {
        "refused" => ["refused", "The transfer was refused (clientRejected): the losing side saw an unpaid invoice."],
        "called-off" => ["called-off", "%<by>s called the move of %<name>s off."]
      }.freeze
      ACTS = { "unlock" => "Taking the transfer lock off.", "order" => "Ordering the transfer with 1 added year.", "lock-back" => "Putting the transfer lock on." }.freeze
      # Steps that took the time which the scenario names for another.
      TIMED = { "lock-gone" => "unlock", "registry-pending" => "order", "release" => "release", "landed" => "landed" }.freeze

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
        words = { name: row["name"], from: plan.words[:from], to: plan.words[:to], by: by }
        note(id, row, "planned", at, format("The move of %<name>s from %<from>s to %<to>s was started.", words), by: by)
        at = live(id, row, plan, at, words)
        finish(id, row, at, words, by)
        @app.moves.close(id)
      end

      # The steps that were reached, each proven after its time. Returns the last instant.
      def live(id, row, plan, at, words)
        reached = { "settled" => nil, "refused" => "release", "called-off" => "order" }.fetch(row["ends"])
        plan.steps.take_while { |s| s.id != reached }.reduce(at) do |now, step|
          note(id, row, "intended", now, ACTS[step.id], step: step.id) if ACTS.key?(step.id)
          now += row["took"].fetch(TIMED[step.id].to_s, 5)
          note(id, row, "done", now, format(SAYS.fetch(step.id), words), step: step.id)
          now
        end
      end

      def finish(id, row, at, words, by)
        return note(id, row, "settled", at, "#{row['name']} is settled.") if row["ends"] == "settled"

        type, says = ENDS.fetch(row["ends"])
        note(id, row, type, at + row["took"].fetch("release", 60), format(says, words), by: type == "called-off" ? by : "desk")
        note(id, row, "done", at + row["took"].fetch("release", 60) + 30, format("%<name>s is as it was at %<from>s: nothing pending, the lock on.", words), step: "make-safe")
      end

      def note(id, row, type, at, says, step: nil, by: "desk")
        evidence = by == "desk" ? { "source" => "the desk's earlier journal", "seen_at" => at } : {}
        @app.journal.add(type, at: at, says: says, by: by, move_id: id, name: row["name"], step: step, evidence: evidence)
      end

      def plan(row)
        from, to = row.values_at("from", "to").map { |i| @app.accounts.find(i).title }
        facts = @app.names.facts(row["name"])
        Moves::Plan.new(name: row["name"], from: row["from"], to: row["to"], options: %i[lock code], years: 1, response_days: 5, settle_seconds: 0,
                        name_servers: facts[:name_servers], words: { name: row["name"], from: from, to: to, old_host: facts[:dns_host].to_s, new_host: facts[:dns_host].to_s }).freeze
      end
    end
  end
end
