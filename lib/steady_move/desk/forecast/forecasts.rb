# frozen_string_literal: true

module SteadyMove
  module Desk
    module Forecast
      # When moves will be done: ranges from three-point estimates along their plans, which learn
      # from finished moves of the same registrars; and how far off earlier forecasts were.
      class Forecasts
        Forecast = Core::Forecast
        # So many ended moves are learnt from, the newest.
        LEARNT_FROM = 400
        # A forecast is worked out anew after so many seconds, or after a fiftieth of what it
        # foresees: what ends in days does not change within a minute.
        FRESH = 60
        SHARE = 0.02
        KEPT = 4000

        # spread: Core::Forecast::Spread; rests_on: {step id => how many finished moves its duration
        # rests on}. futures: Core::Forecast::Futures::Two, or nil.
        Range = Struct.new(:spread, :rests_on, :futures, keyword_init: true)
        # What was foreseen of a move when it started, and what came of it. held: did it end within
        # the 90 % range?
        Held = Struct.new(:move, :p05, :p50, :p95, :ended_at, :held, keyword_init: true)

        def initialize(ports, draws: 250)
          @ports = Ports.of(ports)
          @draws_count = draws
          @drawers = [nil, nil]
          @kept = {}
          @lock = Mutex.new
          @learnt = [nil, {}]
        end

        # move: an open one. Returns Range.
        def of(move)
          now = @ports.now
          fresh([move.id, move.events.size], now, far: ->(range, at) { range.spread.p90 - at }) do
            range(move.plan, move.state, move.from_account, move.to_account, now)
          end
        end

        # Of a plan that has not started. Returns Range.
        def of_plan(plan)
          range(plan, Core::Moves::State.fold(plan, []), plan.from, plan.to, @ports.now)
        end

        # Several plans done, each begun at its own Time, drawn together: the range of the last of
        # them. pairs: [[Plan, Time]]; moves: open ones beside. Returns a Spread, or nil where there
        # is none.
        def of_all(pairs, moves = [])
          now = @ports.now
          lists =
            pairs.each_with_index.map { |(plan, starts), i| apart(plan, starts - now, i, now) }
          lists += moves.map { |m| ends_of(m, now) }
          Forecast::Spread.together(lists, at: now) if lists.any?
        end

        # All of several open moves done. Returns a Spread, or nil where there is none.
        def together(moves)
          return if moves.empty?

          now = @ports.now
          Forecast::Spread.together(moves.map { |m| ends_of(m, now) }, at: now)
        end

        # Seconds from now for the journal's first line: what was foreseen. {p05, p50, p95}.
        def foreseen(plan)
          spread = of_plan(plan).spread
          { "p05" => 0.05, "p50" => 0.5, "p95" => 0.95 }.transform_values do |share|
            (spread.quantile(share) - @ports.now).round
          end
        end

        # {step id => [least, usual, most]} where finished moves teach more than a plan's own
        # estimates.
        def takes_of(plan) = learnt(plan, plan.from, plan.to).first

        # [Held] of settled moves whose forecast is in the journal, newest first.
        def calibration
          @ports.moves.ended(LEARNT_FROM).filter_map { |m| held(m) }
        end

        # {[account id, step id] => [seconds]} of steps that finished moves took there.
        def seen
          count = @ports.moves.ended_count
          @lock.synchronize do
            known, seen = @learnt
            return seen if known == count

            @learnt = [count, learn]
            @learnt.last
          end
        end

        private

        def range(plan, state, from, to, now)
          takes, rests = learnt(plan, from, to)
          spread = Forecast::Spread.new(draws(now).ends(state, at: now, takes: takes), at: now)
          Range.new(
            spread: spread,
            rests_on: rests,
            futures: Forecast::Futures.of(state, draws(now), at: now, takes: takes)
          )
        end

        # A plan's draws beside those of others: another salt, and turned, so that they say nothing
        # of each other.
        def apart(plan, offset, number, now)
          state = Core::Moves::State.fold(plan, [])
          list, = drawn(plan, state, plan.from, plan.to, now, salt: number)
          list.rotate(number * 97).map { |seconds| seconds + [offset, 0].max }
        end

        # A move's own draws beside those of others, in seconds from now: apart from what is shown
        # of it alone.
        def ends_of(move, now)
          at, ends =
            fresh([move.id, move.events.size, :beside], now, far: ->((_, list), _) { list.max }) do
              [
                now,
                drawn(
                  move.plan,
                  move.state,
                  move.from_account,
                  move.to_account,
                  now,
                  salt: move.id
                ).first
              ]
            end
          at == now ? ends : ends.map { |seconds| [seconds - (now - at), 0].max }
        end

        # What was worked out under a key while it is fresh, else anew. far: how many seconds ahead
        # it looks.
        def fresh(key, now, far:)
          at, kept = @lock.synchronize { @kept[key] }
          return kept if at && now >= at && now - at < [FRESH, far.call(kept, at) * SHARE].max

          made = yield
          @lock.synchronize do
            @kept.shift while @kept.size >= KEPT
            @kept[key] = [now, made]
          end
          made
        end

        def drawn(plan, state, from, to, now, salt: 0)
          takes, rests = learnt(plan, from, to)
          [draws(now).ends(state, at: now, takes: takes, salt: salt), rests]
        end

        # Made anew each week, and where another region's holidays are kept.
        def draws(now)
          place = [@ports.settings.holidays, now.to_i.div(7 * 86_400)]
          held, drawn = @drawers
          return drawn if held == place

          made =
            Forecast::Draws.new(
              count: @draws_count,
              business: Common::HolidayCalendar.of(place.first, at: now)
            )
          (@drawers = [place, made].freeze).last
        end

        # Estimates that rule over the plan's own, and on how many finished moves each rests.
        def learnt(plan, from, to)
          all = seen
          rests = {}
          takes =
            plan
              .steps
              .each_with_object({}) do |step, found|
                list = all[[whose(step, from, to), step.id]] or next
                next if list.size < Forecast::Learning::LEAST || step.estimate

                rests[step.id] = list.size
                found[step.id] = Forecast::Learning.blend(step.takes, list)
              end
          [takes, rests]
        end

        # Whose habit decides how long a step takes; nil for what is nobody's.
        def whose(step, from, to)
          place = step.place || step.talks_to
          { "losing" => from, "gaining" => to }[place]
        end

        def learn
          @ports
            .moves
            .ended(LEARNT_FROM)
            .each_with_object(Hash.new { |h, k| h[k] = [] }) do |move, all|
              move.state.steps.each do |s|
                account = whose(s.step, move.from_account, move.to_account)
                all[[account, s.step.id]] << (s.done_at - s.since) if account && s.done? && s.since
              end
            end
            .tap { |h| h.default = nil }
        end

        def held(move)
          foreseen = move.events.first&.data&.fetch("foreseen", nil)
          return unless foreseen && move.state.ending == "settled"

          started = move.events.first.at
          ended = move.events.last.at
          p05, p50, p95 = foreseen.values_at("p05", "p50", "p95").map { |s| started + s }
          Held.new(
            move: move,
            p05: p05,
            p50: p50,
            p95: p95,
            ended_at: ended,
            held: ended.between?(p05, p95)
          )
        end
      end
    end
  end
end
