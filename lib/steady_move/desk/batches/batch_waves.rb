# frozen_string_literal: true

module SteadyMove
  module Desk
    module Batches
      # The waves of a batch: what Core::Batches::Waves proposes, from plans, what has begun and how
      # names hang together.
      class BatchWaves
        Waves = Core::Batches::Waves
        DAY = 86_400

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # rows: [Batch::Row] that can start. Returns [Waves::Wave].
        def divide(batch, rows, at: @ports.now)
          begun = @ports.batches.members(batch.id).select(&:move_id)
          moves = @ports.moves.find_all(begun.map(&:move_id)).to_h { |m| [m.id, m] }
          groups = DependencyGroups.new(@ports).groups(rows.map(&:name) + begun.map(&:name))
          members =
            rows.map { |r| ahead(r, groups) } +
              begun.map { |m| under_way(m, moves[m.move_id], groups) }
          together(Waves.propose(members, rules(batch), at: at), rows)
        end

        # A black-out span is of days, the last one included; in UTC.
        def rules(batch)
          spans =
            (batch.settings["blackouts"] || []).map do |from, last|
              [midnight(from), midnight(last) + DAY]
            end
          Waves::Rules.new(
            trial: batch.settings["trial"] == true,
            per_day: batch.settings["per_day"],
            blackouts: spans
          )
        end

        # P10, P50 and P90 of a plan in seconds from its start.
        def takes(plan)
          spread = @ports.forecasts.of_plan(plan).spread
          [spread.p10, spread.p50, spread.p90].map { |t| t - @ports.now }
        end

        private

        # When all of a wave are done is drawn together, never put together from each one's own
        # range.
        def together(waves, rows)
          plans = rows.to_h { |r| [r.name, r.plan] }
          waves.map do |wave|
            spread =
              @ports.forecasts.of_all(wave.names.map { |n| [plans.fetch(n), wave.starts_at] })
            wave.dup.tap { |w| w.ends = spread.range }
          end
        end

        def midnight(day) = Time.iso8601("#{day}T00:00:00Z")

        # What can go wrong comes later: names whose records are carried, with cautions, or with
        # much to do by hand.
        def ahead(row, groups)
          risk = (row.carries ? 10 : 0) + (row.told.size * 2) + row.by_hand
          Waves::Member.new(
            name: row.name,
            registrar: row.plan.from,
            groups: groups.fetch(row.name, []),
            risk: risk,
            takes: takes(row.plan),
            latest: row.latest_safe && Time.at(row.latest_safe).utc
          )
        end

        def under_way(member, move, groups)
          over = move.state.told("landed_at")&.at || (move.events.last.at unless move.open)
          Waves::Member.new(
            name: member.name,
            registrar: move.from_account,
            groups: groups.fetch(member.name, []),
            risk: 0,
            takes: takes(move.plan),
            started_at: move.started_at,
            landed_at: over
          )
        end
      end
    end
  end
end
