# frozen_string_literal: true

require "puma"
require "puma/server"

module SteadyMove
  module Web
    # Serves an Application on loopback; TLS ends at a reverse proxy in front.
    module Serve
      THREADS = 24

      # The port is taken by somebody else.
      class PortTaken < StandardError
      end

      module_function

      # Starts serving and returns the Puma server; port 0 takes any free one. Raises PortTaken.
      def start(application, port:, host: "127.0.0.1")
        server =
          Puma::Server.new(
            application.rack,
            nil,
            min_threads: 4,
            max_threads: THREADS,
            log_writer: Puma::LogWriter.null,
            environment: "production",
            http_content_length_limit: Limits::MOST,
            lowlevel_error_handler: ->(e, _env, status) { broken(application.log, e, status) }
          )
        server.add_tcp_listener(host, port)
        application.start
        server.run
        server
      rescue Errno::EADDRINUSE
        raise PortTaken, "port #{port} is in use by another program; choose one with --port"
      end

      # What the server itself answers where no application could: no backtrace, and the same
      # headers.
      def broken(log, error, status)
        log.error(error)
        [
          status,
          Application::HEADERS.merge("content-type" => "application/problem+json"),
          [Problem.say(status, :broken).to_json]
        ]
      end
    end
  end
end
