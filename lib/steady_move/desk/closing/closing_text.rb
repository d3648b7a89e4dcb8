# frozen_string_literal: true

module SteadyMove
  module Desk
    module Closing
      # A closing report as headings and sentences, for a page or a printed one.
      class ClosingText
        # title, lead: texts; parts: [[heading or nil, [sentence]]].
        Text = Struct.new(:title, :lead, :parts, keyword_init: true)

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # report: ClosingReport::Move. Returns Text.
        def of_move(report)
          Text.new(
            title: say("title_move", name: report.move.name),
            lead: say("made", at: @ports.now),
            parts: parts(report).unshift([nil, went(report)])
          )
        end

        # report: ClosingReport::Batch. Returns Text.
        def of_batch(report)
          own = [[nil, sums(report)], differences(report), held(report)].compact
          each =
            report.moves.flat_map do |m|
              [[Core::Names::Idn.shown(m.move.name), went(m)], *parts(m)]
            end
          Text.new(
            title: say("title_batch", title: report.batch.title),
            lead: say("made", at: @ports.now),
            parts: own + each
          )
        end

        # A difference of the ledger in a sentence.
        def difference(found)
          title = @ports.accounts.find(found.account)&.title || found.account
          sum = found.found&.to_s || Words.say(:"ledger.sum_unknown")
          kind = found.kind == "otherwise" && found.expected.nil? ? "otherwise_unknown" : found.kind
          Words.say(:"ledger.#{kind}", title: title, found: sum, expected: found.expected.to_s)
        end

        # line: LedgerBook::Line, or nil. Returns sentences on what a move cost and saved, and nils.
        def money(line)
          return [say("spent_unknown")] unless line&.spent

          [
            say(line.charged ? "spent" : "spent_planned", spent: line.all_spent.join(" + ")),
            saved(line.saved),
            lost(line.lost_days)
          ]
        end

        # report: what has the sums of LedgerBook.sums. Returns sentences.
        def sums(report)
          sums = report.sums
          told =
            say(
              "sums",
              count: sums[:moves],
              spent: amounts(sums[:spent]),
              saved: amounts(sums[:saved])
            )
          sums[:unknown].zero? ? [told] : [told, say("sums_unknown", count: sums[:unknown])]
        end

        private

        def say(key, **values) = Words.say(:"closing.#{key}", **values)

        def went(report)
          move = report.move
          [
            say("went", **report.words, stage: move.state.stage),
            say("begun", at: move.started_at),
            report.ended_at && say("over", at: report.ended_at),
            expiry(report),
            *money(report.line),
            (again(report) if report.settled?),
            exposed(report)
          ].compact
        end

        def expiry(report)
          plan = report.move.plan
          after, seen = Common::ExpiryAfter.of(report.move)
          return unless report.settled? && plan.expires_at && after

          say(seen ? "expiry" : "expiry_reckoned", before: plan.expires_at, after: after)
        end

        def again(report) =
          report.again_at ? say("again", at: report.again_at) : say("again_unknown")

        def saved(amount)
          return unless amount

          less = Core::Money::Amount.new(amount.minor.abs, amount.currency)
          say(amount.minor.negative? ? "dearer" : "saved", saved: less.to_s)
        end

        def lost(days) = days && (days.positive? ? say("lost", count: days) : say("nothing_lost"))

        def exposed(report)
          seconds = report.exposed.sum { |from, to| (to || @ports.now) - from }
          say("exposed", span: Words.span(seconds)) if seconds.positive?
        end

        def parts(report)
          checks = report.checks.map { |c| check(c) }
          [
            [say("checks"), checks.empty? ? [say("no_checks")] : checks],
            [say("left"), left(report)],
            ([say("learnt"), report.learnt] if report.learnt.any?)
          ].compact
        end

        # What stands at the old account; of a name that never left it, that it is still there.
        def left(report)
          done =
            report.left.map { |i| say("left_done", says: i.says, state: say("states.#{i.state}")) }
          return done if done.any?

          from = Common::MoveWords.values(report.move.plan, @ports.accounts)[:from]
          [
            say(
              report.move.plan.dns_only? ? "only_records" : "not_left",
              name: report.move.name,
              from: from
            )
          ]
        end

        def check(row)
          say(
            "check",
            what: row["what"],
            wanted: row["wanted"],
            found: row["found"],
            agrees: say(row["ok"] ? "agrees" : "differs")
          )
        end

        def amounts(list) = list.empty? ? say("nothing") : list.join(", ")

        def differences(report)
          if report.differences.any?
            [say("differences"), report.differences.map { |d| difference(d) }]
          end
        end

        def held(report)
          return if report.held.empty?

          [
            say("held"),
            report.held.map do |name, why|
              say("held_line", name: name, why: why || say("held_back"))
            end
          ]
        end
      end
    end
  end
end
