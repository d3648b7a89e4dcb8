# frozen_string_literal: true

require "securerandom"

module SteadyMove
  module Web
    # First and last in every request: an id, the security headers, one line in the log; what nobody
    # caught becomes a problem document.
    class RequestLog
      # What stands behind it in a path is a secret, wherever the desk is served.
      SECRET = %r{(/api/+(?:calendar|status)/+).+}i

      # counts: Metrics, told of each request.
      def initialize(app, log, counts)
        @app = app
        @log = log
        @counts = counts
      end

      def call(env)
        id = SecureRandom.hex(6)
        Log.about(id: id, client: env["REMOTE_ADDR"]) { logged(env, id) }
      end

      private

      def logged(env, id)
        began = Process.clock_gettime(Process::CLOCK_MONOTONIC)
        status, headers, body = answer(env)
        took = ((Process.clock_gettime(Process::CLOCK_MONOTONIC) - began) * 1000).round(1)
        @log.line(
          level: "info",
          method: env["REQUEST_METHOD"],
          path: path(env),
          status: status,
          ms: took,
          **of_whom(env)
        )
        @counts.request(status, took / 1000)
        headers.delete("content-length") if headers["rack.hijack"] # a stream has none
        secure(headers) if env["HTTP_X_FORWARDED_PROTO"] == "https"
        [status, Application::HEADERS.merge("x-request-id" => id).merge(headers), body]
      end

      def answer(env)
        @app.call(env)
      rescue StandardError => e
        @log.error(e)
        problem = Problem.unforeseen(e)
        env["steady_move.refused"] = problem.key
        [problem.status, { "content-type" => "application/problem+json" }, [problem.to_json]]
      end

      # A path is somebody's word too: as text, and not longer than a line.
      def path(env)
        env["PATH_INFO"].to_s.dup.force_encoding(Encoding::UTF_8).scrub[0, 200].sub(SECRET, '\1…')
      end

      # Who asked, and why it was refused.
      def of_whom(env)
        { person: env["steady_move.person"], refused: env["steady_move.refused"] }.compact
      end

      # Behind a reverse proxy that ends TLS the session cookie never travels in the open.
      def secure(headers)
        headers["strict-transport-security"] = "max-age=31536000"
        cookie = headers["set-cookie"] or return
        headers["set-cookie"] = Array(cookie).map do |c|
          c.include?("; secure") ? c : "#{c}; secure"
        end
      end
    end
  end
end
