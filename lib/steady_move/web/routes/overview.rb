# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # The Desk itself, and the journal over everything.
      module Overview
        extend Answers

        on("later") { handed_over(application.jobs.wait(work_of(asked[:job]))) }

        ENDED = 10

        # How long a change in the public record is told of on the Desk, and how many of them.
        CHANGES = [7 * 86_400, 8].freeze

        # The Desk's cards, and what stands before them.
        module Helpers
          def changes
            lately, most = CHANGES
            lines =
              desk
                .journal
                .page(type: "record-changed", limit: most)
                .select { |e| e.at >= now - lately }
            lines.map do |e|
              { **Views::Json.name(e.name), at: Views::Json.time(e.at), says: Words.retold(e) }
            end
          end

          # What wants somebody soonest first: what can still be decided before its deadline, then
          # what is stuck, then the rest by when something is expected. ISO instants sort as text.
          def pressing(card)
            rank = card[:can_approve] && card[:until] ? 0 : card[:phase] == "stuck" ? 1 : 2
            [rank, card[:until] || card[:look_at] || "~", card[:id]]
          end

          # Batches that wait for somebody, with whoever may not be that one.
          def waiting_batches
            Desk::Batches::Waiting
              .new(desk)
              .list
              .map do |w|
                {
                  id: w.batch.id,
                  title: w.batch.title,
                  kind: w.kind,
                  says: w.says,
                  not_by: w.not_by
                }
              end
          end

          def strays
            known = Desk::Moves::UnrequestedTransfers.new(desk)
            known.concerning.map { |s| Views::StrayView.row(s, desk, known) }
          end
        end

        on "refuseStray" do
          Desk::Moves::UnrequestedTransfers.new(desk).refuse(asked[:name], by: me)
          { strays: strays }
        end

        on "saidRefusedStray" do
          Desk::Moves::UnrequestedTransfers.new(desk).said_refused(asked[:name], by: me)
          { strays: strays }
        end

        on "expectStray" do
          Desk::Moves::UnrequestedTransfers.new(desk).expected(
            asked[:name],
            by: me,
            ordered_by: given["ordered_by"]
          )
          { strays: strays }
        end

        on "unexpectStray" do
          Desk::Moves::UnrequestedTransfers.new(desk).unexpected(asked[:name], by: me)
          nudge
          { strays: strays }
        end

        on "secureStray" do
          safety = Desk::Moves::UnrequestedTransferSafety.new(desk)
          if given["code_set"]
            safety.said_code(asked[:name], by: me)
          else
            safety.secure(asked[:name], by: me)
          end
          { strays: strays }
        end

        on "desk" do
          cards = cards_of(desk.moves.open).sort_by { |c| pressing(c) }
          {
            now: Views::Json.time(now),
            strays: strays,
            choices: choices,
            batches: waiting_batches,
            lanes: Core::Moves::State::TURNS.to_h { |t| [t, cards.select { |c| c[:turn] == t }] },
            changes: changes,
            ended: cards_of(desk.moves.ended(ENDED))
          }
        end

        on "journal" do
          lines =
            desk.journal.page(
              **asked.slice(:before, :name, :type),
              limit: asked.fetch(:limit, 50),
              move_id: asked[:move]
            )
          {
            lines: lines.map { |e| Views::EventView.line(e) },
            next: lines.size == asked.fetch(:limit, 50) ? lines.last.seq : nil
          }
        end
      end
    end
  end
end
