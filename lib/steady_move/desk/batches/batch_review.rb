# frozen_string_literal: true

module SteadyMove
  module Desk
    module Batches
      # Everything about a batch on one page before money moves: what happens in which order and
      # when, what could go wrong, what is asked of whom, what it costs where, and what is left out.
      class BatchReview
        # rows: [Batch::Row] of names not yet started; waves: [Core::Batches::Waves::Wave]; risks:
        # [Risk], the worst first; asks: [Ask]; range: [P10, P50, P90] of all that is left, empty
        # where nothing is; above: [sentence] of limits.
        Review =
          Struct.new(:rows, :waves, :risks, :asks, :range, :above, keyword_init: true) do
            def able = rows.select(&:startable)
            def left_out = rows.reject(&:startable)
            def total = sums[:total]
            def unpriced = sums[:unpriced]
            def sums = @sums ||= Batch.sums(rows)

            # {destination id => sums}.
            def by_place = able.group_by(&:to).transform_values { |list| Batch.sums(list) }
          end
        # One kind of what could go wrong. harm: of HARMS; cases: [[says, [name]]]; note: what may
        # be noted for all of them that answers it (Portfolio::Notes::KINDS), nil where nothing
        # does.
        Risk =
          Struct.new(:key, :harm, :cases, :note, keyword_init: true) do
            def count = cases.sum { |_, names| names.size }
          end
        # How bad it is where it comes true, the worst first: a name, a site or mail is lost; a
        # transfer is refused or waits; money; nothing but a surprise.
        HARMS = %w[lost held money known].freeze
        # kind => its harm; held, where it is not named. Common practice, no source.
        OF_KINDS = {
          "late-start" => "lost",
          "late-go" => "lost",
          "near-expiry" => "lost",
          "stays-behind" => "lost",
          "zone" => "lost",
          "signed" => "lost",
          "contact-on-name" => "lost",
          "host-objects" => "lost",
          "tied-services" => "lost",
          "promotion-ends" => "money",
          "grace-year" => "money",
          "ten-years" => "money",
          "premium" => "money",
          "privacy-price" => "money",
          "unknown unpaid" => "money",
          "unknown premium" => "money",
          "suffix-unlisted" => "known",
          "suffix-values" => "known"
        }.freeze
        # What somebody does: where (a title, nil for the desk's own people), what, and for which
        # names.
        Ask = Struct.new(:place, :says, :names, keyword_init: true)

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # Yields after each name. Returns Review.
        def review(batch, by: nil, &block)
          waiting = @ports.batches.members(batch.id).select(&:waiting?)
          wants = waiting.map { |m| Batch::Want.of(batch, m) }
          rows = Batch.new(@ports).propose_all(wants, &block)
          waves = BatchWaves.new(@ports).divide(batch, rows.select(&:startable))
          ends = PromotionEnds.new(@ports, rows, waves)
          rows = Batch.new(@ports).propose_all(ends.on_their_day(wants)) if ends.any?
          reviewed(batch, rows, waves, ends).tap do |review|
            review.above = by ? above(review, batch, by).map { |p| Words.text(p) } : []
          end
        end

        # [Phrase] of what is above a limit, so that a second person has to agree.
        def above(review, batch, by)
          wanted = Planning::Spending::Wanted.new(review.total, review.unpriced)
          Planning::Spending.new(@ports).above(wanted, by: by, batch: batch)
        end

        private

        def reviewed(batch, rows, waves, ends)
          dearer = ends.any? ? [risk("promotion-ends", ends.cases)] : []
          Review.new(
            rows: rows,
            waves: waves,
            risks: by_harm(late(waves, rows) + dearer + risks(rows)),
            asks: asks(rows),
            range: range(batch, waves, rows)
          )
        end

        # Names that would start too late before their expiry come first of all that can go wrong:
        # they are held back then, until a person chooses.
        def late(waves, rows)
          expiries = rows.to_h { |r| [r.name, r.plan&.expires_at] }
          cases =
            waves
              .flat_map { |w| w.late.map { |name| [w, name] } }
              .map do |wave, name|
                [
                  Words.say(
                    :"batches.starts_too_late",
                    name: name,
                    at: wave.starts_at,
                    expires: expiries[name]
                  ),
                  [name]
                ]
              end
          cases.empty? ? [] : [risk("late-start", cases)]
        end

        # Each kind once, with its sentences and the names that each is about.
        def risks(rows)
          told = rows.select(&:startable).flat_map { |r| r.told.map { |c| [c, r.name] } }
          told.group_by { |c, _| c.key }.map { |key, list| kind(key, list) }
        end

        # The worst first, of equals what touches most.
        def by_harm(risks)
          first = ->(r) { r.key == "late-start" ? 0 : 1 }
          risks.sort_by { |r| [HARMS.index(r.harm), first[r], -r.count, r.cases.first.first] }
        end

        def kind(key, list)
          cases =
            list.group_by { |c, _| c.says }.transform_values { |same| same.map(&:last).uniq }.to_a
          risk(key, cases, list.filter_map { |c, _| c.note }.first)
        end

        def risk(key, cases, note = nil)
          Risk.new(key: key, harm: OF_KINDS.fetch(key, "held"), cases: cases, note: note)
        end

        # Steps by hand of all plans, by place and what is done there.
        def asks(rows)
          steps = rows.select(&:startable).flat_map { |r| hand_steps(r) }
          steps
            .group_by { |place, step, _| [place, step.id] }
            .map do |(place, id), list|
              words = Common::MoveWords.values(list.first.last.plan, @ports.accounts)
              each = list.size == 1 ? list.first.last.name : Words.say(:"batches.each_name")
              says =
                Words.say(
                  :"steps.#{id}.title",
                  **words,
                  name: each,
                  contact: Words.say(:"common.its_contact")
                )
              Ask.new(place: place, says: says, names: list.map { |_, _, r| r.name })
            end
        end

        def hand_steps(row)
          words = Common::MoveWords.values(row.plan, @ports.accounts)
          places = {
            "losing" => words[:from],
            "gaining" => words[:to],
            "service" => words[:service]
          }
          mine =
            row.plan.steps.select { |s| s.by_hand? || s.trait?(:consent) || s.trait?(:approval) }
          mine.map { |s| [places[s.place], s, row] }
        end

        # All done when the last of them is, those under way among them: drawn together.
        def range(batch, waves, rows)
          plans = rows.to_h { |r| [r.name, r.plan] }
          begun =
            @ports
              .moves
              .find_all(@ports.batches.members(batch.id).filter_map(&:move_id))
              .select(&:open)
          pairs = waves.flat_map { |w| w.names.map { |n| [plans.fetch(n), w.starts_at] } }
          @ports.forecasts.of_all(pairs, begun)&.range || []
        end
      end
    end
  end
end
