# frozen_string_literal: true

module SteadyMove
  module Desk
    module Automation
      # How a move or a batch stands, in plain words for the site's owner: nothing of prices, codes
      # or accounts' sign-ins.
      class StatusText
        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # Returns [sentence] of one move.
        def of_move(move)
          words = Common::MoveWords.values(move.plan, @ports.accounts)
          [
            say("stage", **words, stage: move.state.stage),
            turn(move, words),
            done(move),
            services(move)
          ].compact
        end

        # Returns [sentence] of a batch: sums first, then a line for each name.
        def of_batch(batch)
          members = @ports.batches.members(batch.id).reject { |m| m.state == "dropped" }
          moves = @ports.moves.find_all(members.filter_map(&:move_id)).to_h { |m| [m.id, m] }
          settled = moves.values.count { |m| m.state.ending == "settled" }
          open = moves.values.select(&:open)
          [
            say(
              "batch",
              title: batch.title,
              count: members.size,
              settled: settled,
              moving: open.size,
              waiting: members.count { |m| m.move_id.nil? }
            ),
            all_done(open),
            *members.map { |m| line(m, moves[m.move_id]) }
          ].compact
        end

        private

        def say(key, **values) = Words.say(:"status.#{key}", **values)

        def turn(move, words)
          step = move.state.current&.step or return
          say(
            move.state.turn,
            title:
              Words.say(
                :"steps.#{step.id}.title",
                contact: Words.say(:"common.its_contact"),
                **words
              )
          )
        end

        def done(move)
          return say("ended", at: move.events.last.at) unless move.open

          spread = @ports.forecasts.for_move(move).spread
          say("between", early: spread.p10, late: spread.p90)
        end

        def all_done(open)
          spread = @ports.forecasts.together(open)
          spread && say("between_all", early: spread.p10, late: spread.p90)
        end

        # The site and its mail: what the desk itself says of them.
        def services(move)
          "#{Planning::InShort.new(@ports).uptime(move.plan)}." if move.open
        end

        def line(member, move)
          return say("not_begun", name: member.name) unless move

          say(move.open ? "moving" : "over", name: member.name, stage: move.state.stage)
        end
      end
    end
  end
end
