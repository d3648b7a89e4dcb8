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

        # Of a forecast, what the journal keeps.
        SHARES = { "p05" => 0.05, "p10" => 0.1, "p50" => 0.5, "p90" => 0.9, "p95" => 0.95 }.freeze
        # A release that was over in less than this share of its longest was not left to silence.
        SPOKEN = 0.9

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
          @learnt = [nil, nil]
        end

        # move: an open one. Returns Range.
        def for_move(move)
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

        # Seconds from now for the journal's first line: what was foreseen. {p05, p10, …}.
        def foreseen(plan)
          spread = of_plan(plan).spread
          SHARES.transform_values { |share| (spread.quantile(share) - @ports.now).round }
        end

        # {step id => Core::Forecast::Duration} where finished moves teach more than a plan's own
        # estimates.
        def takes_of(plan) = learnt(plan, plan.from, plan.to).first

        # Of how many settled moves it is known, and how many of them ended by what was foreseen as
        # their tenth, their middle and their ninetieth of a hundred: {"of" => n, "p10" => n, …}.
        def within
          told = @ports.moves.ended(LEARNT_FROM).filter_map { |m| foretold(m) }
          told = told.select { |foreseen, _| foreseen.key?("p10") }
          counts =
            %w[p10 p50 p90].to_h do |key|
              [key, told.count { |foreseen, lasted| lasted <= foreseen[key] }]
            end
          { "of" => told.size, **counts }
        end

        # [Held] of settled moves whose forecast is in the journal, newest first.
        def calibration
          @ports.moves.ended(LEARNT_FROM).filter_map { |m| held(m) }
        end

        # What finished moves teach. steps: {[account id, step id] => [seconds]} that steps took
        # there; releases: {account id, or nil for all => Core::Forecast::Learning::Releases}.
        Learnt = Struct.new(:steps, :releases)

        # Learnt.
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
            futures: Forecast::Futures.simulate(state, draws(now), at: now, takes: takes)
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
              business: Common::HolidayCalendar.days(place.first, at: now)
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
                lasting, count = lasting(step, all, whose(step, from, to))
                next unless lasting

                rests[step.id] = count
                found[step.id] = lasting
              end
          [takes, rests]
        end

        # [Duration, on how many moves it rests], or nil where finished moves teach nothing.
        def lasting(step, all, account)
          return release(step, all, account) if step.trait?(:approval)

          list = all.steps[[account, step.id]] or return
          return if list.size < Forecast::Learning::LEAST || step.estimate

          [Forecast::Learning.duration(step.takes, list), list.size]
        end

        # Whether, and how soon, anybody approves decides most of all.
        def release(step, all, account)
          everybody = all.releases[nil]
          own = all.releases[account] || Forecast::Learning::Releases.none
          return if everybody.nil? || everybody.count < Forecast::Learning::LEAST || step.by_time?

          silence = Forecast::Draws::SILENCE
          [Forecast::Learning.release(step.takes, own, everybody, silence), everybody.count]
        end

        # Whose habit decides how long a step takes; nil for what is nobody's.
        def whose(step, from, to)
          place = step.place || step.talks_to
          { "losing" => from, "gaining" => to }[place]
        end

        def learn
          found = Learnt.new(Hash.new { |h, k| h[k] = [] }, {})
          @ports.moves.ended(LEARNT_FROM).each { |move| learn_from(move, found) }
          found.steps.default = nil
          found
        end

        def learn_from(move, found)
          move.state.steps.each do |s|
            account = whose(s.step, move.from_account, move.to_account)
            next unless account && s.since

            if s.step.trait?(:approval)
              [nil, account].each { |key| add_release(found, key, s, move) }
            elsif s.done?
              found.steps[[account, s.step.id]] << took(s)
            end
          end
        end

        def add_release(found, key, step_state, move)
          kept = found.releases[key] ||= Forecast::Learning::Releases.none
          return kept.refused += 1 if %w[refused lapsed].include?(move.state.ending)
          return unless step_state.done?

          lasted = took(step_state)
          spoken = move.state.approved? || lasted < SPOKEN * step_state.step.takes.last
          spoken ? kept.approved << lasted : kept.silent += 1
        end

        # Seconds; of what only goes on on business days, those alone.
        def took(step_state)
          since = step_state.since
          done = step_state.done_at
          return done - since unless step_state.step.business_days?

          Common::HolidayCalendar.days(@ports.settings.holidays, at: since).between(since, done)
        end

        # [what was foreseen, how many seconds it took], or nil.
        def foretold(move)
          first = move.events.first
          foreseen = first&.data&.fetch("foreseen", nil)
          return unless foreseen && move.state.ending == "settled"

          [foreseen, move.events.last.at - first.at]
        end

        def held(move)
          foreseen, lasted = foretold(move)
          return unless foreseen

          started = move.events.first.at
          ended = started + lasted
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
