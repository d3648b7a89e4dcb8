# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # When all that is under way will be done, and what earlier forecasts were worth.
      module Forecast
        extend Answers

        # What the answer shows of one settled move.
        module Helpers
          def held_shown(held)
            {
              id: held.move.id,
              **Views::Json.name(held.move.name),
              from: Views::Json.time(held.p05),
              likely: Views::Json.time(held.p50),
              to: Views::Json.time(held.p95),
              ended_at: Views::Json.time(held.ended_at),
              held: held.held
            }
          end

          def spread_shown(spread, by)
            return { range: [], curve: [], chance: nil, start_before: nil } unless spread

            {
              range: [spread.p10, spread.p50, spread.p90].map { |t| Views::Json.time(t) },
              curve: spread.curve.map { |at, chance| { at: Views::Json.time(at), chance: chance } },
              chance: by && spread.chance_by(by),
              start_before: Views::Json.time(by && spread.start_before(by))
            }
          end
        end

        on "forecast" do
          open = desk.moves.open
          by = asked[:by] && Contract.instant(asked[:by])
          {
            moves: open.size,
            **spread_shown(desk.forecasts.together(open), by),
            within: desk.forecasts.within,
            calibration: desk.forecasts.calibration.first(100).map { |h| held_shown(h) }
          }
        end
      end
    end
  end
end
