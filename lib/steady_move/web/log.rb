# frozen_string_literal: true

require "json"

module SteadyMove
  module Web
    # One JSON line per request or error. Bodies, queries and headers are never written, so no secret can be.
    class Log
      def initialize(io)
        @io = io
        @lock = Mutex.new
      end

      def line(**fields)
        @lock.synchronize { @io.puts(JSON.generate({ at: Time.now.utc.strftime("%Y-%m-%dT%H:%M:%S.%3NZ"), **fields })) }
        true
      end

      def error(exception)
        line(level: "error", error: exception.class.name, says: exception.message.lines.first.to_s.strip,
          where: exception.backtrace&.first(5))
      end
    end
  end
end
