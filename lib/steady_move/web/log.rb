# frozen_string_literal: true

require "json"
require "logger"

module SteadyMove
  module Web
    # One JSON line per request or error, through Ruby's Logger; where none can be written (a full
    # disk), the desk goes on. Bodies, queries and headers are never written, so no secret can be.
    # Every line that is written while a request is answered carries its id and where it came from.
    class Log
      LEVELS = %w[debug info warn error].freeze

      # file: where lines are added; level: the least that is written. Raises Desk::Refused.
      def self.open(file, level: nil)
        File.open(file, "a", 0o600).close
        new(file, level: level)
      rescue SystemCallError => e
        raise Desk::Refused.new(
                :unusable,
                :log_not_opened,
                file: file,
                says: e.message[/\A[^@]+/].strip
              )
      end

      # What all lines of this thread carry while the block runs, e.g. a request's id.
      def self.about(**fields)
        before = Thread.current[:steady_move_about]
        Thread.current[:steady_move_about] = fields
        yield
      ensure
        Thread.current[:steady_move_about] = before
      end

      # to: a file's name, or an IO.
      def initialize(to, level: nil)
        @logger =
          ::Logger.new(
            to,
            level: level || "info",
            skip_header: true,
            binmode: true,
            formatter: ->(_level, _at, _name, text) { "#{text}\n" }
          )
      end

      # level: one of LEVELS. Returns whether it was written or not wanted.
      def line(level: "info", **fields)
        about = Thread.current[:steady_move_about] || {}
        at = Time.now.utc.strftime("%Y-%m-%dT%H:%M:%S.%3NZ")
        @logger.public_send(level) { JSON.generate({ at: at, level: level, **about, **fields }) }
      rescue SystemCallError, IOError
        false
      end

      def error(exception)
        line(
          level: "error",
          error: exception.class.name,
          says: exception.message.scrub.lines.first.to_s.strip[0, 500],
          where: exception.backtrace&.first(5)
        )
      end

      # After the file was moved away: the next line begins a new one.
      def reopen = @logger.reopen
    end
  end
end
