# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # All moves on one axis of time, approvals in one place, and what others are shown.
      module Following
        extend Answers

        # Rows of the axis, approvals, status pages.
        module Helpers
          def axis_row(row)
            state = row.move.state
            words = words_of(row.move)
            {
              id: row.move.id,
              **Views::Json.name(row.move.name),
              **Views::MoveView.way(row.move.plan, words),
              batch: row.batch,
              stage: state.stage,
              turn: state.turn,
              kind: row.move.plan.kind,
              late: row.late,
              **instants(row)
            }
          end

          def instants(row)
            {
              ends: Views::Json.time(row.ends),
              started_at: Views::Json.time(row.move.started_at),
              finish: row.range.range.map { |t| Views::Json.time(t) }
            }
          end

          def approvals = Desk::Moves::Approvals.new(desk)

          def approvals_page(problems: {})
            moves = desk.moves.open
            {
              places:
                approvals
                  .due(moves)
                  .map { |p| p.to_h.merge(items: p.items.map { |i| approval(i) }) },
              coming: approvals.coming(moves).map { |c| coming(c) },
              problems: problems.map { |id, says| { move_id: id, says: says } }
            }
          end

          def approval(item)
            item.to_h.merge(Views::Json.name(item.name), ends: Views::Json.time(item.ends))
          end

          def coming(item)
            item.to_h.merge(Views::Json.name(item.name), expected: Views::Json.time(item.expected))
          end

          def status_pages = Desk::Automation::StatusPages.new(desk)

          def status_shown(address: nil)
            kind, ref = asked.values_at(:kind, :ref)
            {
              text: status_pages.text(kind, ref),
              made_at: Views::Json.time(status_pages.made_at(kind, ref)),
              address: address
            }
          end
        end

        on "axis" do
          rows =
            Desk::Moves::Timeline.new(desk).rows(
              **asked.slice(:turn, :account, :batch),
              late: asked[:late] == true
            )
          { now: Views::Json.time(now), rows: rows.map { |r| axis_row(r) } }
        end

        on "tracks" do
          ids = asked[:ids].split(",").map(&:to_i)
          {
            tracks:
              Desk::Moves::Timeline
                .new(desk)
                .tracks(ids)
                .map do |id, blocks|
                  { id: id, blocks: blocks.map { |b| Views::Json.value(b.to_h) } }
                end
          }
        end

        on("approvals") { approvals_page }

        on "approveSeveral" do
          problems = approvals.approve(given["moves"], by: me)
          nudge
          approvals_page(problems: problems)
        end

        on "lateLetter" do
          move = desk.moves.find(asked[:id]) or
            raise Desk::Refused.new(:unknown, :no_move, id: asked[:id])
          draft = Desk::Letters::LateLetter.new(desk).draft(move, by: me)
          { to: draft.to, subject: draft.subject, text: draft.text, mailto: draft.mailto }
        end

        on("statusText") { status_shown }

        on "renewStatusPage" do
          token = status_pages.renew(asked[:kind], asked[:ref], by: me)
          headers "Cache-Control" => "no-store"
          status_shown(address: "#{own_address}/api/status/#{token}")
        end

        on "endStatusPage" do
          status_pages.finish(asked[:kind], asked[:ref], by: me)
          status_shown
        end

        on "sharedStatus" do
          title, text = status_pages.find(asked[:token])
          raise Problem.say(404, :no_status_page) unless title

          content_type "text/html", charset: "utf-8"
          headers "Cache-Control" => "private, no-store", "X-Robots-Tag" => "noindex"
          Views::StatusPage.page(title, text, now: now)
        end
      end
    end
  end
end
