# frozen_string_literal: true

require "rack/utils"

module SteadyMove
  module Web
    # For whoever watches the desk from outside: /healthz (it is alive), /readyz (it can do its
    # work), /metrics (figures, behind a token). They need no sign-in, so they name no account and
    # no domain.
    class HealthEndpoints
      PATHS = %w[/healthz /readyz /metrics].freeze
      PLAIN = {
        "content-type" => "text/plain; charset=utf-8",
        "cache-control" => "no-store"
      }.freeze

      # Where they are had: also under the desk's own path, where it has one.
      def self.places(path) = ["", path].uniq.product(PATHS).map(&:join)

      attr_reader :metrics

      def initialize(application)
        @application = application
        @metrics = Metrics.new
        @health =
          Desk::Operations::Health.new(
            application.desk,
            application.runner,
            beat_age: application.engine.method(:beat_age),
            stream_age: application.hub.method(:beat_age)
          )
      end

      def call(env)
        case env["SCRIPT_NAME"] + env["PATH_INFO"]
        when /healthz\z/
          [200, PLAIN.dup, ["alive\n"]]
        when /readyz\z/
          ready
        else
          figures(env["HTTP_AUTHORIZATION"].to_s)
        end
      end

      # [Desk::Operations::Health::Check].
      def checks = @health.checks
      # What is behind a connection's key, by the words people know it by.
      def title(key) = @health.title(key)

      private

      def desk = @application.desk

      # 503 where something is missing without which nothing can be done.
      def ready
        found = checks
        down = found.select { |c| c.vital && c.well == false }
        lines = found.group_by { |c| c.id.split.first }.map { |kind, list| line(kind, list) }
        [
          down.empty? ? 200 : 503,
          PLAIN.dup,
          ["#{[down.empty? ? "ready" : "not ready", *lines].join("\n")}\n"]
        ]
      end

      # Connections are counted, never named.
      def line(kind, list)
        bad = list.select { |c| c.well == false }
        return "#{kind}: #{list.first.says}" unless %w[connection stuck].include?(kind)

        oldest = list.filter_map { |c| c.since if c.well == false }.min
        "#{kind}: #{list.size - bad.size} of #{list.size} well" \
          "#{", one not since #{oldest.utc.iso8601}" if oldest}"
      end

      def figures(given)
        token = desk.config.metrics["token"] or
          return 404, PLAIN.dup, ["no token is set for this\n"]
        right = Rack::Utils.secure_compare(given, "Bearer #{token}")
        unless right
          return 401, PLAIN.merge("www-authenticate" => "Bearer"), ["a token is wanted\n"]
        end

        type = "text/plain; version=0.0.4; charset=utf-8"
        [200, PLAIN.merge("content-type" => type), [metrics.text(**house, **work, **outside)]]
      end

      def house
        {
          open_streams: @application.hub.open,
          runner_heartbeat_seconds: @application.engine.beat_age.round(1),
          resident_memory_bytes: memory,
          database_bytes: size,
          disk_free_bytes: @health.free,
          check_well:
            checks
              .reject { |c| c.well.nil? || c.id.include?(" ") }
              .to_h { |c| [c.id, c.well ? 1 : 0] }
        }
      end

      def work
        count, since = desk.schedule.overdue(now: desk.now)
        runner = @application.runner
        {
          overdue_steps: count,
          overdue_seconds: since ? (desk.now - since).round : 0,
          steps: runner.outcomes,
          moves_open: desk.moves.open_count,
          lane_work: runner.busy,
          mail_messages: desk.messages.count,
          lane_stuck_seconds:
            runner.stuck(Desk::Operations::Health::STUCK).to_h { |s| [s.lane, s.seconds] }
        }
      end

      def outside
        {
          connection_up: desk.heard.all.transform_values { |h| h.well ? 1 : 0 },
          connection_last_success_seconds: @health.last_success
        }
      end

      # Octets, as Linux says (proc(5)); nil elsewhere.
      def memory = File.read("/proc/self/status")[/^VmRSS:\s+(\d+)/, 1]&.to_i&.* 1024

      def size
        ["", "-wal"].sum { |more| File.size?("#{desk.config.database}#{more}").to_i }
      end
    end
  end
end
