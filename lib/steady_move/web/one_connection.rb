# frozen_string_literal: true

module SteadyMove
  module Web
    # One database connection for the whole of a reading request: the pool is asked once instead of
    # for each question, which under many clients is most of the waiting. Streams and what may wait
    # for the outside take theirs as they need them.
    class OneConnection
      def initialize(app, database)
        @app = app
        @database = database
      end

      def call(env)
        unless env["REQUEST_METHOD"] == "GET" && env["PATH_INFO"] != "/api/events"
          return @app.call(env)
        end

        @database.synchronize { @app.call(env) }
      end
    end
  end
end
