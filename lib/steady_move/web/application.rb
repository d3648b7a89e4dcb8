# frozen_string_literal: true

require "rack"
require "rack/session/cookie"
require "rack/protection"
require "securerandom"

module SteadyMove
  module Web
    # The web application put together: sign-in, protection, API, the built front end.
    class Application
      attr_reader :desk,
                  :jobs,
                  :lists,
                  :runner,
                  :engine,
                  :first_run,
                  :status,
                  :orders,
                  :presence,
                  :people,
                  :contract,
                  :hub,
                  :practice,
                  :log,
                  :sign_in,
                  :throttle,
                  :device,
                  :tokens,
                  :watching

      # Forecasts that are drawn before anybody asks for them.
      WARMED = 500

      POLICY =
        "default-src 'none'; script-src 'self'; style-src 'self'; font-src 'self'; img-src " \
          "'self' data:; " \
          "connect-src 'self'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'"
      # What is sent packed; never what holds a secret of the session beside what somebody else may
      # have written.
      PACKED = %w[application/json text/html text/csv text/calendar].freeze
      UNPACKED = %w[/api/session /api/events].freeze
      HEADERS = {
        "content-security-policy" => POLICY,
        "x-content-type-options" => "nosniff",
        "referrer-policy" => "same-origin",
        "x-frame-options" => "DENY",
        "cross-origin-opener-policy" => "same-origin"
      }.freeze
      SESSION = {
        key: CsrfGuard::COOKIE,
        same_site: :strict,
        httponly: true,
        expire_after: 12 * 3600
      }.freeze

      # desk: Desk::App; runner: Desk::Engine::StepRunner; practice: answers state, move_on,
      # move_on_to_news, fault, runs? where a practice world is there; patience: seconds that a
      # request waits for what is asked of the outside before it says where the answer will be.
      def initialize(
        desk,
        runner,
        log:,
        practice: nil,
        people: Desk::People::Directory.new(desk),
        patience: 0.8,
        public_folder: File.join(ROOT, "public")
      )
        @desk = desk
        @runner = runner
        @log = log
        @practice = practice
        @engine = Desk::Engine::Scheduler.new(runner, on_error: log.method(:error))
        @jobs =
          Desk::BackgroundJobs.new(
            random: desk.random,
            on_error: log.method(:error),
            patience: patience
          )
        @lists = Lists.new
        @orders = Desk::Moves::MoveCommands.new(desk)
        @presence = Presence.new
        @people = people
        @tokens = Desk::Automation::Tokens.new(desk)
        @throttle = Throttle.new
        @device = Device.new(desk.safe.derive("devices"), path: desk.config.path)
        @first_run = FirstRun.new(@people)
        @status = Status.new(self)
        @contract = Contract.whole
        @sign_in =
          SignIn.application(
            desk.db,
            desk.secrets.for("rodauth"),
            people: people,
            address: desk.address
          )
        @hub =
          Hub.new(
            trouble: desk.method(:trouble),
            on_error: log.method(:error),
            topics: ->(seq) { Topics.since(desk.journal, seq) }
          ) { desk.journal.last_seq }
        @pages = Pages.new(public_folder, path: desk.config.path) { desk.journal.last_seq }
        @watching = HealthEndpoints.new(self)
        runner.alerts.on_news { |level, says| log.line(level: level, says: says) }
      end

      # The Rack application, under the path that is configured.
      def rack
        own = self
        path = desk.config.path
        inside = inside()
        Rack::Builder
          .new do
            use Origin, own.desk.config.proxies
            use RequestLog, own.log, own.watching.metrics
            HealthEndpoints.places(path).each { |place| map(place) { run own.watching } }
            path.empty? ? run(inside) : map(path) { run inside }
          end
          .to_app
      end

      # Where people reach the desk, for links in its mails: never from a request, whose sender
      # could say anything.
      def address = desk.address || "http://localhost:#{desk.port}#{desk.config.path}"

      # Where its cookie goes: nothing else on that host is told it.
      def place = desk.config.path.empty? ? "/" : desk.config.path

      def inspect = "#<Application>"

      def start
        Thread.new { warm }
        engine.start
        hub.start
      end

      # Ends the streams, then lets what is under way finish.
      def stop
        hub.close
        engine.stop
        desk.portfolio.keep
      end

      private

      # What the first pages want, before anybody asks; what hinders it is told when somebody does.
      def warm
        desk.portfolio.warm
        desk.forecasts.seen
        open = desk.moves.open.first(WARMED)
        open.each { |move| desk.forecasts.for_move(move) }
        desk.forecasts.together(open)
      rescue Sequel::DatabaseError => e
        log.error(e)
      end

      # Behind the log: sessions, protection, the API and the pages.
      def inside
        own = self
        api = Api.for(self)
        pages = @pages
        secret = desk.safe.derive("sessions")
        Rack::Builder
          .new do
            use Rack::Deflater,
                include: PACKED,
                if: ->(env, *) { !UNPACKED.include?(env["PATH_INFO"]) }
            use OneConnection, own.desk.db
            use Rack::Session::Cookie, secrets: [secret], path: own.place, **SESSION
            use CsrfGuard
            run(->(env) { env["PATH_INFO"].start_with?("/api/") ? api.call(env) : pages.call(env) })
          end
          .to_app
      end
    end
  end
end
