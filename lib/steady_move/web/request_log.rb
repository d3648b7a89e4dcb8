# frozen_string_literal: true

require "securerandom"

module SteadyMove
  module Web
    # First and last in every request: an id, the security headers, one line in the log.
    class RequestLog
      def initialize(app, log)
        @app = app
        @log = log
      end

      def call(env)
        id = SecureRandom.hex(6)
        began = Process.clock_gettime(Process::CLOCK_MONOTONIC)
        status, headers, body = @app.call(env)
        took = ((Process.clock_gettime(Process::CLOCK_MONOTONIC) - began) * 1000).round(1)
        @log.line(level: "info", id: id, method: env["REQUEST_METHOD"], path: env["PATH_INFO"], status: status,
          ms: took)
        secure(headers) if env["HTTP_X_FORWARDED_PROTO"] == "https"
        [status, Application::HEADERS.merge("x-request-id" => id).merge(headers), body]
      end

      private

      # Behind a reverse proxy that ends TLS the session cookie never travels in the open.
      def secure(headers)
        headers["strict-transport-security"] = "max-age=31536000"
        cookie = headers["set-cookie"] or return
        headers["set-cookie"] = Array(cookie).map { |c| c.include?("; secure") ? c : "#{c}; secure" }
      end
    end
  end
end
