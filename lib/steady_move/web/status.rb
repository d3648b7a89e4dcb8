# frozen_string_literal: true

module SteadyMove
  module Web
    # How the desk itself is: connections and when each was last heard, what waits, the last errors, the version.
    class Status
      ERRORS = 10

      # Seconds for which the check of the whole journal holds.
      CHECKED = 30

      def initialize(application)
        @application = application
      end

      def report
        desk = @application.desk
        { version: VERSION, now: Views::Json.time(desk.now), journal_whole: journal_whole?(desk.journal),
          open_moves: desk.moves.open_count, next_look: Views::Json.time(desk.schedule.next_look(after: desk.now)),
          connections: connections(desk), problems: problems(desk) }
      end

      private

      def journal_whole?(journal)
        now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
        @checked = [now, journal.broken_at.nil?] unless @checked && now - @checked.first < CHECKED
        @checked.last
      end

      def connections(desk)
        heard = desk.epp.heard
        list = desk.accounts.all.select(&:epp?).map { |a| { title: a.title, kind: "EPP", **state(heard[a.id]) } }
        if desk.mailbox
          list << { title: Words.say("web.mailbox"), kind: "IMAP",
**state(@application.runner.post.heard) }
        end
        list
      end

      def state(heard)
        { heard_at: Views::Json.time(heard&.at), says: heard&.says || Words.say("connections.not_asked"),
          well: heard.nil? || heard.well }
      end

      def problems(desk)
        desk.journal.page(type: "problem", limit: ERRORS).map do |e|
          { at: Views::Json.time(e.at), name: e.name, says: Words.retold(e), move_id: e.move_id }
        end
      end
    end
  end
end
