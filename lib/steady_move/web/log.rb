# frozen_string_literal: true

require "json"

module SteadyMove
  module Web
    # One JSON line per request or error; where none can be written (a full disk), the desk goes on. Bodies, queries
    # and headers are never written, so no secret can be.
    class Log
      def initialize(io)
        @io = io
        @lock = Mutex.new
      end

      def line(**fields)
        text = JSON.generate({ at: Time.now.utc.strftime("%Y-%m-%dT%H:%M:%S.%3NZ"), **fields })
        @lock.synchronize { @io.puts(text) }
        true
      rescue SystemCallError, IOError
        false
      end

      def error(exception)
        line(level: "error", error: exception.class.name, says: exception.message.scrub.lines.first.to_s.strip[0, 500],
          where: exception.backtrace&.first(5))
      end
    end
  end
end
