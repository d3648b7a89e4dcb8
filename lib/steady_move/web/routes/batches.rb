# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # Batches: made, changed, reviewed, started, followed.
      module Batches
        extend Answers

        LINES = 100

        # A review or a start is work that goes on behind.
        module Helpers
          def batches = @batches ||= Desk::Batches::BatchCommands.new(desk)

          # How a batch stands. left_out: sentences on names that could not be put in.
          def batch_sheet(id, left_out: [])
            batch = batches.find(id)
            members = desk.batches.members(id)
            moves = desk.moves.find_all(members.filter_map(&:move_id))
            cards = cards_of(moves).to_h { |c| [c[:id], c] }
            spread = desk.forecasts.together(moves.select(&:open))
            Views::BatchView.sheet(batch, members, cards, batch_lines(id)).merge(
              left_out: left_out,
              agreements: agreements.list(batch).map { |asked| Views::AgreementView.state(asked) },
              clients: agreements.clients(batch),
              **spread_shown(spread, asked[:by] && Contract.instant(asked[:by]))
            )
          end

          def batch_lines(id) = desk.journal.numbered(desk.batches.lines(id, LINES))
          def batch_settings = given.transform_keys(&:to_sym)

          def batch_job(of, &block)
            work(application.jobs.start(by: me, of: of, &block)) { |result| batch_result(result) }
          end

          def batch_result(result)
            return { state: result } if result.is_a?(String)
            if result.is_a?(Desk::Batches::Rehearsing::Lives)
              return Views::BatchView.rehearsal(result)
            end

            Views::BatchView.review(result, desk.accounts)
          end
        end

        on "compare" do
          found =
            Desk::Batches::Comparison.new(desk).compare(
              given["names"].uniq,
              years: given.fetch("years", 5),
              privacy: given["privacy"] == true
            )
          Views::BatchView.comparison(found)
        end

        on "batches" do
          counts = desk.batches.counts
          by_move =
            desk.batches.by_move.group_by(&:last).transform_values { |pairs| pairs.map(&:first) }
          moves = desk.moves.find_all(by_move.values.flatten).to_h { |m| [m.id, m] }
          {
            batches:
              desk.batches.all.map do |b|
                Views::BatchView.line(b, counts[b.id], moves.values_at(*by_move[b.id]))
              end
          }
        end

        on "newBatch" do
          id, left = batches.make(given["names"], by: me, **batch_settings.except(:names))
          status 201
          { id: id, left_out: left }
        end

        on("batch") { batch_sheet(asked[:id]) }

        on "changeBatch" do
          batches.change(asked[:id], by: me, **batch_settings)
          batch_sheet(asked[:id])
        end

        on "changeBatchNames" do
          left = batches.change_names(asked[:id], by: me, **batch_settings)
          nudge
          batch_sheet(asked[:id], left_out: left)
        end

        on "reviewBatch" do
          batch = batches.find(asked[:id])
          person = me
          batch_job(desk.batches.members(batch.id).size) do |job|
            Desk::Batches::BatchReview.new(desk).review(batch, by: person) { job.done += 1 }
          end
        end

        on "rehearseBatch" do
          batch = batches.find(asked[:id])
          batch_job(Desk::Batches::Rehearsing::RUNS) do |job|
            Desk::Batches::Rehearsing.new(desk).rehearse(batch) { job.done += 1 }
          end
        end

        on "startBatch" do
          id = asked[:id]
          shown = given["shown"].map { |a| Core::Money::Amount.of(a) }
          batch_job(1) { |job| batches.start(id, by: job.by, shown: shown).tap { nudge } }
        end

        on "approveBatch" do
          batches.approve(asked[:id], by: me)
          nudge
          batch_sheet(asked[:id])
        end

        on "steerBatch" do
          batches.public_send(given["act"], asked[:id], by: me)
          nudge
          batch_sheet(asked[:id])
        end

        on("batchWork") { work(work_of(asked[:job])) { |result| batch_result(result) } }
      end
    end
  end
end
