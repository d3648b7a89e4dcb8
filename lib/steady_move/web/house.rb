# frozen_string_literal: true

require "rack"
require "rack/session/cookie"
require "rack/protection"
require "securerandom"

module SteadyMove
  module Web
    # The web application put together: sign-in, protection, API, the built front end.
    class House
      attr_reader :app, :jobs, :lists, :runner, :engine, :first_run, :status, :orders, :people, :contract, :hub, :practice, :log

      POLICY = "default-src 'none'; script-src 'self'; style-src 'self'; font-src 'self'; img-src 'self' data:; " \
               "connect-src 'self'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'"
      HEADERS = { "content-security-policy" => POLICY, "x-content-type-options" => "nosniff", "referrer-policy" => "same-origin",
                  "x-frame-options" => "DENY", "cross-origin-opener-policy" => "same-origin" }.freeze

      # app: Desk::App; runner: Desk::Runner; practice: answers state, move_on, fault, runs? where a practice world is there.
      def initialize(app, runner, log:, practice: nil, public_folder: File.join(ROOT, "public"))
        @app = app
        @runner = runner
        @log = log
        @practice = practice
        @engine = Desk::Engine.new(runner, on_error: log.method(:error))
        @jobs = Desk::Jobs.new(random: app.random, on_error: log.method(:error))
        @lists = Lists.new
        @orders = Desk::Orders.new(app)
        @people = Desk::People.new(app)
        @first_run = FirstRun.new(@people)
        @status = Status.new(self)
        @contract = Contract.new
        @hub = Hub.new { app.db[:events].max(:seq) }
        @public_folder = public_folder
      end

      # The Rack application.
      def rack
        house = self
        api = Class.new(Api) { set :house, house }
        pages = Pages.new(@public_folder)
        secret = app.safe.derive("sessions")
        sign_in = SignIn.middleware(app.db, app.safe.derive("rodauth"), note: people.method(:note))
        Rack::Builder.new do
          use Doorman, house.log
          map("/healthz") { run(->(_env) { house.healthy? ? [200, { "content-type" => "text/plain" }, ["well\n"]] : [503, { "content-type" => "text/plain" }, ["not well\n"]] }) }
          use OneConnection, house.app.db
          use Rack::Session::Cookie, key: "steady_move", secrets: [secret], same_site: :strict, httponly: true, expire_after: 12 * 3600
          use CsrfGuard
          use sign_in
          run(->(env) { env["PATH_INFO"].start_with?("/api/") ? api.call(env) : pages.call(env) })
        end.to_app
      end

      # Can the database be read?
      def healthy?
        app.db.get(1) == 1
      rescue Sequel::DatabaseError
        false
      end

      def inspect = "#<House>"

      def start
        Thread.new { app.portfolio.warm }
        engine.start
        hub.start
      end

      # Ends the streams, then lets a pass that is under way finish.
      def stop
        hub.close
        engine.stop
      end
    end
  end
end
