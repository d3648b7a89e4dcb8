# frozen_string_literal: true

module SteadyMove
  module Desk
    module Closing
      # The report of a month as headings and sentences.
      class MonthText
        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # report: MonthReport::Report. Returns ClosingText::Text.
        def of(report)
          ClosingText::Text.new(
            title: title(report),
            lead: Words.say(:"closing.made", at: @ports.now),
            parts: [
              [nil, [*ClosingText.new(@ports).sums(report)]],
              part("moved", report.moved) { |l| landed(l) },
              (part("unmoved", report.unmoved) { |l| unmoved(l) } if report.unmoved.any?),
              part("open", report.open, at: @ports.now) { |l| under_way(l) },
              part("due", report.due, at: @ports.now) { |e| due(e) }
            ].compact
          )
        end

        private

        def say(key, **values) = Words.say(:"month_report.#{key}", **values)

        def title(report)
          month = say("months.m#{report.month.from.month}")
          year = report.month.from.year
          return say("title", month: month, year: year) unless report.client

          say("title_client", client: report.client, month: month, year: year)
        end

        # A heading, and a line for each; where there is none, that there is none.
        def part(key, list, **values, &)
          lines = list.map(&)
          lines = [say("no_#{key}", days: MonthReport::SOON)] if lines.empty?
          [say(key, **values), lines]
        end

        def about(line) =
          Common::MoveWords.values(line.move.plan, @ports.accounts).slice(:from, :to)

        def landed(line)
          at = MonthReport.new(@ports).landed_at(line)
          after, seen = Common::ExpiryAfter.of(line.move)
          [
            say("landed", name: line.move.name, at: at, **about(line)),
            after && say(seen ? "expires" : "expires_reckoned", at: after),
            *ClosingText.new(@ports).money(line).compact
          ].compact.join(" ")
        end

        def unmoved(line)
          say(
            "ended",
            name: line.move.name,
            at: line.move.events.last.at,
            stage: line.move.state.stage,
            **about(line)
          )
        end

        def under_way(line)
          spread = @ports.forecasts.for_move(line.move).spread
          say(
            "under_way",
            name: line.move.name,
            stage: line.move.state.stage,
            early: spread.p10,
            late: spread.p90,
            **about(line)
          )
        end

        def due(entry)
          safe = entry.latest_safe
          key = safe.nil? ? "expiring" : safe > @ports.now.to_i ? "expiring_safe" : "expiring_late"
          say(
            key,
            name: entry.ascii,
            at: Time.at(entry.expires).utc,
            safe: safe && Time.at(safe).utc,
            account: @ports.accounts.find(entry.account_id)&.title || entry.account_id
          )
        end
      end
    end
  end
end
