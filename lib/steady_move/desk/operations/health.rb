# frozen_string_literal: true

module SteadyMove
  module Desk
    module Operations
      # How the desk itself is: can it write, does its heart beat, what is overdue, is there room,
      # does each connection answer, and is one stuck.
      class Health
        # well: true, false, or nil where it is not known; vital: without it the desk can do
        # nothing; since: Time or nil.
        Check = Struct.new(:id, :title, :well, :says, :since, :vital, keyword_init: true)
        # Seconds: without a heartbeat; of one piece of work before a connection counts as stuck; of
        # overdue work.
        STANDSTILL = 120
        STUCK = 35
        OVERDUE = 3600
        # Octets below which there is no room.
        ROOM = 200 * 1024 * 1024
        LOOK_AT_DISK = 30

        # runner: StepRunner; beat_age: answers the seconds since the heart last beat; stream_age:
        # since open pages were last told of changes; nil where nobody knows.
        def initialize(ports, runner, beat_age: nil, stream_age: nil)
          @ports = Ports.of(ports)
          @runner = runner
          @beat_age = beat_age
          @stream_age = stream_age
        end

        # [Check], the vital ones first.
        def checks
          [
            database,
            heart,
            stream,
            key,
            disk,
            journal,
            overdue,
            backup,
            alerts,
            *connections,
            *stuck
          ].compact
        end

        # {id => seconds since the connection last answered, or nil}, for those that were asked.
        def last_success
          @ports.heard.all.transform_values { |h| h.well_at && (@ports.now - h.well_at).round }
        end

        # What is behind a connection's key, by the words people know it by; nil where it is gone.
        def title(key)
          kind, place = key.split(" ", 2)
          case kind
          when "mailbox"
            Words.say(:"web.mailbox")
          when "record"
            say("record_at", host: place) if @ports.rdap.hosts.include?(place)
          when "outgoing"
            say("outgoing") if @ports.sender
          when Common::LastHeard::SERVICES
            say("services") if @ports.settings.bootstrap_url
          else
            @ports.accounts.find(key)&.title
          end
        end

        # Octets free where the data are; nil where it can't be told.
        def free
          at = monotonic
          @free = [at, measured] if @free.nil? || at - @free.first > LOOK_AT_DISK
          @free.last
        end

        private

        def say(key, **values) = Words.say(:"health.#{key}", **values)
        def check(id, well, says, **more)
          Check.new(id: id, title: say("titles.#{id}"), well: well, says: says, **more)
        end
        def monotonic = Process.clock_gettime(Process::CLOCK_MONOTONIC)

        def database
          trouble = @ports.trouble
          check("database", trouble.nil?, trouble || say("can_write"), vital: true)
        end

        def stream
          age = @stream_age&.call or return
          well = age < STANDSTILL
          check("stream", well, say(well ? "pages_told" : "pages_not_told", seconds: age.round))
        end

        def heart
          age = @beat_age&.call or return
          check(
            "runner",
            age < STANDSTILL,
            say(age < STANDSTILL ? "beats" : "stands", seconds: age.round),
            vital: true
          )
        end

        def key
          file = @ports.config.key_file
          well = File.file?(file) && File.readable?(file)
          check(
            "key",
            well,
            say(well ? "key_there" : "key_gone", file: File.basename(file)),
            vital: true
          )
        end

        def disk
          return check("disk", nil, say("disk_unknown")) unless free

          check("disk", free >= ROOM, say("disk", free: free / (1024 * 1024)))
        end

        # As the last walk found it.
        def journal
          broken = @ports.system_state[JournalCheck::KEY]&.fetch("broken", nil) or return
          check("journal", false, say("journal_broken", line: broken))
        end

        def overdue
          count, since = @ports.schedule.overdue(now: @ports.now)
          limit = @ports.config.alerts["overdue"] || OVERDUE
          late = since && @ports.now - since >= limit
          says =
            (
              if late
                say("overdue", count: count, minutes: ((@ports.now - since) / 60).round)
              else
                say("nothing_overdue")
              end
            )
          check("overdue", !late, says, since: since)
        end

        def backup
          return unless @ports.config.backup

          kept = @ports.system_state["backup"]
          return check("backup", nil, say("no_backup_yet")) unless kept

          # by the machine's own time, as they are made
          age = SystemClock.new.now.to_i - kept["at"]
          late = age > 2 * (@ports.config.backup["every"] || ScheduledBackups::EVERY)
          says = late ? say("backup_old", hours: age / 3600) : kept["says"]
          check("backup", kept["well"] && !late, says, since: Store::Values.time(kept["at"]))
        end

        # Where nobody is told, nothing is broken, and nobody would know if it were.
        def alerts
          set = @ports.config.alerts
          ways = [("mail" if set["to"].to_a.any?), ("webhook" if set["webhook"])].compact
          return check("alerts", nil, say("no_way")) if ways.empty?

          check("alerts", true, say("ways", ways: ways.map { |way| say(way) }))
        end

        def connections
          @ports.heard.all.filter_map do |key, heard|
            title = title(key) or next
            Check.new(
              id: "connection #{key}",
              title: title,
              well: heard.well,
              says: heard.says,
              since: heard.failing_since || heard.well_at
            )
          end
        end

        def stuck
          @runner
            .stuck(STUCK)
            .map do |s|
              key = s.lane.delete_prefix("account ")
              title = title(key) || s.lane
              Check.new(
                id: "stuck #{key}",
                title: title,
                well: false,
                since: @ports.now - s.seconds,
                says:
                  say(
                    s.waiting.zero? ? "stuck" : "starves",
                    title: title,
                    seconds: s.seconds,
                    count: s.waiting
                  )
              )
            end
        end

        # df's portable form: the fourth column of the second line, in kilobytes (POSIX).
        def measured
          line = IO.popen(["df", "-Pk", @ports.config.data], err: File::NULL, &:read).lines[1]
          line && (Integer(line.split[3], exception: false)&.* 1024)
        rescue SystemCallError
          nil
        end
      end
    end
  end
end
