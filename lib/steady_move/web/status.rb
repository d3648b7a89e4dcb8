# frozen_string_literal: true

module SteadyMove
  module Web
    # How the desk itself is: its checks, connections and when each last answered, the last errors,
    # the version.
    class Status
      ERRORS = 10
      # What each speaks, by the first word of its key.
      KINDS = {
        "mailbox" => "IMAP",
        "record" => "RDAP",
        "outgoing" => "SMTP",
        "services" => "HTTPS"
      }.freeze

      def initialize(application)
        @application = application
        @journal = Desk::Operations::JournalCheck.new(application.desk)
      end

      def report
        desk = @application.desk
        whole, lines, walked = @journal.call
        {
          version: VERSION,
          now: Views::Json.time(desk.now),
          journal_whole: whole,
          journal_lines: lines,
          journal_of: desk.journal.last_seq.to_i,
          journal_walked: Views::Json.time(walked),
          open_moves: desk.moves.open_count,
          next_look: Views::Json.time(desk.schedule.next_look(after: desk.now)),
          checks: checks,
          connections: connections(desk),
          problems: problems(desk)
        }
      end

      private

      # Those of the desk itself, and what is stuck.
      def checks
        found = @application.watching.checks.reject { |c| c.id.start_with?("connection ") }
        found.map do |c|
          { title: c.title, well: c.well, says: c.says, since: Views::Json.time(c.since) }
        end
      end

      # Accounts and mailboxes, asked or not; and what else was asked.
      def connections(desk)
        own =
          desk.accounts.all.select(&:epp?).map(&:id) +
            desk.mailboxes.keys.map { |id| "mailbox #{id}" }
        (own | desk.heard.all.keys.sort).filter_map do |key|
          title = @application.watching.title(key) or next
          kind = KINDS.fetch(key[/\A\w+/], "EPP")
          { title: title, kind: kind, **state(desk.heard[key]) }
        end
      end

      def state(heard)
        {
          heard_at: Views::Json.time(heard&.at),
          says: heard&.says || Words.say(:"connections.not_asked"),
          well: heard.nil? || heard.well,
          well_at: Views::Json.time(heard&.well_at)
        }
      end

      def problems(desk)
        desk
          .journal
          .page(type: "problem", limit: ERRORS)
          .map do |e|
            {
              at: Views::Json.time(e.at),
              **Views::Json.name(e.name),
              says: Words.retold(e),
              move_id: e.move_id
            }
          end
      end
    end
  end
end
