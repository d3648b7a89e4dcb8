# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      # All open moves on one axis of time: when each began, what comes next and until when, when it
      # will be done.
      class Timeline
        # batch: id of the batch that it belongs to, or nil; ends: the next deadline; late: has it
        # passed?
        Row = Struct.new(:move, :batch, :ends, :late, :range, keyword_init: true)
        # One step on its rail. ends: [earliest, usual, latest]; turn: whose it is where it is under
        # way.
        Block = Struct.new(:rail, :title, :starts, :ends, :past, :turn, :phase, keyword_init: true)

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # Returns [Row], the next deadline first; those without one last.
        # turn: yours, theirs, desk or clock; account: id of either side; batch: id; late: only
        # those that are.
        def rows(turn: nil, account: nil, batch: nil, late: false)
          by_move = @ports.batches.by_move
          moves = @ports.moves.open
          moves = moves.select { |m| m.state.turn == turn } if turn
          moves = moves.select { |m| [m.from_account, m.to_account].include?(account) } if account
          moves = moves.select { |m| by_move[m.id] == batch } if batch
          rows = moves.map { |m| row(m, by_move[m.id]) }
          rows = rows.select(&:late) if late
          rows.sort_by { |r| [r.late ? 0 : 1, r.ends || FAR, r.move.id] }
        end

        # {move id => [Block]} for some of them.
        def tracks(ids)
          @ports
            .moves
            .find_all(ids)
            .to_h do |move|
              words = Common::MoveWords.values(move.plan, @ports.accounts)
              states = move.state.steps.to_h { |s| [s.step.id, s] }
              blocks = Core::Forecast::Schedule.draft(move.state, at: @ports.now)
              [move.id, blocks.map { |b| block(b, states[b.id], words) }]
            end
        end

        # The next deadline of a move, [what it means, Time], or nil: it goes on by itself, it is
        # late, time is over. Nothing runs out of what nobody has begun.
        def self.deadline(move, step_state = move.state.current)
          state = move.state
          return unless step_state
          if step_state.step.trait?(:approval) && !move.plan.lapses?
            return state.deadline && ["by-itself", state.deadline]
          end
          return if step_state.turn == "yours" || step_state.since.nil?

          begun = state.set_going_at(step_state.step.id) || step_state.since
          [
            %w[clock desk].include?(step_state.turn) ? "over" : "late",
            begun + step_state.step.takes.last
          ]
        end

        private

        FAR = Time.at(2**40).utc
        private_constant :FAR

        def row(move, batch)
          means, ends = self.class.deadline(move)
          Row.new(
            move: move,
            batch: batch,
            ends: ends,
            late: means == "late" && ends < @ports.now,
            range: @ports.forecasts.for_move(move).spread
          )
        end

        def block(block, state, words)
          Block.new(
            rail: state.step.rail,
            title:
              Words.say(
                :"steps.#{block.id}.title",
                contact: Words.say(:"common.its_contact"),
                **words
              ),
            starts: block.starts[1],
            ends: block.ends,
            past: block.past,
            turn: state.active? ? state.turn : nil,
            phase: state.phase
          )
        end
      end
    end
  end
end
