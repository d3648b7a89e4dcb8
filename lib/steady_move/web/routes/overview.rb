# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # The Desk itself, and the journal over everything.
      module Overview
        extend Answers

        ENDED = 10

        on "desk" do
          cards = cards_of(desk.moves.open)
          { now: Views::Json.time(now), lanes: Core::Moves::State::TURNS.to_h do |t|
            [t, cards.select do |c|
              c[:turn] == t
            end]
          end,
            ended: cards_of(desk.moves.ended(ENDED)) }
        end

        on "journal" do
          lines = desk.journal.page(**asked.slice(:before, :name, :type), limit: asked.fetch(:limit, 50),
            move_id: asked[:move])
          { lines: lines.map { |e| Views::EventView.line(e) }, next: lines.size == asked.fetch(:limit,
            50) ? lines.last.seq : nil }
        end
      end
    end
  end
end
