# frozen_string_literal: true

module SteadyMove
  module Web
    # How the desk itself is: connections and when each was last heard, what waits, the last errors, the version.
    class Status
      ERRORS = 10

      # Seconds for which the check of the whole journal holds.
      CHECKED = 30

      def initialize(house)
        @house = house
      end

      def report
        app = @house.app
        { version: VERSION, now: Views::Json.time(app.now), journal_whole: journal_whole?(app.journal), open_moves: app.db[:moves].where(open: true).count,
          next_look: Views::Json.time(app.moves.next_look(after: app.now)), connections: connections(app), problems: problems(app) }
      end

      private

      def journal_whole?(journal)
        now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
        @checked = [now, journal.broken_at.nil?] unless @checked && now - @checked.first < CHECKED
        @checked.last
      end

      def connections(app)
        heard = app.epp.heard
        list = app.accounts.all.select { |a| a.kind == "epp" }.map { |a| { title: a.title, kind: "EPP", **state(heard[a.id]) } }
        list << { title: "Mailbox", kind: "IMAP", **state(@house.runner.post.heard) } if app.mailbox
        list
      end

      def state(heard)
        { heard_at: Views::Json.time(heard&.at), says: heard&.says || "not asked yet", well: heard.nil? || heard.well }
      end

      def problems(app)
        app.db[:events].where(type: "problem").reverse(:seq).limit(ERRORS).select(:at, :name, :says, :move_id).map do |r|
          { at: Views::Json.time(Time.at(r[:at])), name: r[:name], says: r[:says], move_id: r[:move_id] }
        end
      end
    end
  end
end
