# frozen_string_literal: true

module SteadyMove
  module Desk
    module Batches
      # Runs a copy of a batch's plan many times at full speed, with the habits of the chosen
      # registrars and with faults drawn, before anything is started.
      class Rehearsing
        RUNS = 100
        # range: [P10, P50, P90] of the whole, endings: {ending => share of a hundred}, faults:
        # [[says, share]], asks: [[says, place or nil, share, [early, usual, late]]], instants as if
        # it began now.
        Lives = Struct.new(:runs, :names, :range, :endings, :faults, :asks, keyword_init: true)

        def initialize(ports, seed: 1)
          @ports = Ports.of(ports)
          @seed = seed
        end

        # batch: Store::Batches::Batch. Yields after each run. Returns Lives; raises Refused.
        def rehearse(batch, runs: RUNS)
          rows =
            Batch
              .new(@ports)
              .propose_all(waiting(batch).map { |m| Batch::Want.of(batch, m) })
              .select(&:startable)
          raise Refused.new(:not_now, :nothing_can_start) if rows.empty?

          starts = starts(BatchWaves.new(@ports).divide(batch, rows), rows)
          lives = Array.new(runs) { |i| life(rows, i).tap { yield if block_given? } }
          summary = Core::Rehearsal::Summary.new(lives, starts: starts)
          Lives.new(
            runs: runs,
            names: rows.size,
            endings: summary.endings,
            range: range(summary),
            faults: summary.faults.map { |f| [Words.say(:"rehearsal.faults.#{f.id}"), f.share] },
            asks: summary.asks.map { |a| ask(a, rows) }
          )
        end

        private

        def waiting(batch) = @ports.batches.members(batch.id).select(&:waiting?)

        # Seconds after now at which each begins.
        def starts(waves, rows)
          at = waves.flat_map { |w| w.names.map { |n| [n, w.starts_at - @ports.now] } }.to_h
          rows.map { |r| at.fetch(r.name) }
        end

        def life(rows, number)
          rows.each_with_index.map do |row, i|
            chance = Random.new((@seed * 1_000_003) + (number * 1009) + i)
            Core::Rehearsal::Run.new(
              row.plan,
              chance: chance.method(:rand),
              takes: @ports.forecasts.takes_of(row.plan)
            ).call
          end
        end

        def range(summary)
          spread = summary.spread(at: @ports.now)
          [spread.p10, spread.p50, spread.p90]
        end

        def ask(ask, rows)
          row = rows.find { |r| step_of(r, ask.step) }
          step = step_of(row, ask.step)
          words = Common::MoveWords.values(row.plan, @ports.accounts)
          says =
            Words.say(
              :"steps.#{ask.step}.title",
              **words,
              name: Words.say(:"batches.each_name"),
              contact: Words.say(:"common.its_contact")
            )
          place =
            { "losing" => words[:from], "gaining" => words[:to], "service" => words[:service] }[
              step.place
            ]
          [says, place, ask.share, ask.after.map { |s| @ports.now + s }]
        end

        def step_of(row, id) = (row.plan.steps + row.plan.endings).find { |s| s.id == id }
      end
    end
  end
end
