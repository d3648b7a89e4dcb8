# frozen_string_literal: true

module SteadyMove
  module Desk
    module Closing
      # What became of a client's names in a month, or of all names: what landed, what did not move,
      # what is under way, what it cost and saved, and what expires next. Months are those of UTC;
      # what is under way and what is next are as of the report.
      class MonthReport
        # A month from its first instant to the next month's; text: “2027-03”.
        Month =
          Struct.new(:text, :from, :to) do
            # Raises ArgumentError where the text is no month.
            def self.of(text)
              raise ArgumentError, text unless text.match?(/\A\d{4}-(0[1-9]|1[0-2])\z/)

              year, number = text.split("-").map(&:to_i)
              from = Time.utc(year, number)
              new(text, from, number == 12 ? Time.utc(year + 1) : Time.utc(year, number + 1))
            end

            def hold?(time) = !time.nil? && time >= from && time < to
          end
        # moved: [LedgerBook::Line] of names that landed in it; unmoved: of moves that ended in it
        # and landed nothing; open: of those that have not landed yet; due: entries of names that
        # expire soon and are not on the move; sums: as LedgerBook.sums has them, of moved.
        Report =
          Struct.new(:month, :client, :moved, :unmoved, :open, :due, :sums, keyword_init: true)
        # Days ahead in which an expiry is near enough to be told.
        SOON = 60
        NOTHING = { spent: [], saved: [], moves: 0, unknown: 0 }.freeze

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # Every month from the first move's begin to now, the newest first, as texts; most: so many.
        def months(lines, most: 36)
          now = @ports.now
          first = lines.map { |l| l.move.started_at }.min || now
          count = ((now.year - first.year) * 12) + now.month - first.month
          (0..[count, most - 1].min).map { |back| (now.to_date << back).strftime("%Y-%m") }
        end

        # month: “2027-03”; client: a client's name, or nil for all names; held: entries of that
        # client's names, or of all ([PortfolioIndex::Entry]). Returns Report. Raises Refused where
        # no name was ever held for that client.
        def of(month, held:, client: nil)
          lines = LedgerBook.new(@ports).ledger.lines
          lines = lines.select { |l| l.client == client } if client
          if client && lines.empty? && held.empty?
            raise Refused.new(:unknown, :no_client, given: client)
          end

          report(Month.of(month), client, lines, due(held))
        end

        # When a line's name landed, or nil.
        def landed_at(line) = Common::ExpiryAfter.landed_at(line.move.state)

        private

        def report(month, client, lines, due)
          landed, others = lines.partition { |l| landed_at(l) }
          moved = landed.select { |l| month.hold?(landed_at(l)) }.sort_by { |l| landed_at(l) }
          Report.new(
            month: month,
            client: client,
            moved: moved,
            unmoved: others.select { |l| month.hold?(ended_at(l)) },
            open: others.select { |l| l.move.open },
            due: due,
            sums: LedgerBook.sums(moved) { nil }.fetch(nil, NOTHING)
          )
        end

        def ended_at(line) = line.move.open ? nil : line.move.events.last.at

        def due(held)
          now = @ports.now.to_i
          near = now..(now + (SOON * 86_400))
          held.select { |e| e.expires && near.cover?(e.expires) && !e.move }.sort_by(&:expires)
        end
      end
    end
  end
end
