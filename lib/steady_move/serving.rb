# frozen_string_literal: true

module SteadyMove
  # Serves the desk with the system's clock until it is told to stop.
  class Serving
    def initialize(config, out)
      @config = config
      @out = out
    end

    def call
      File.umask(0o077)
      lock = Desk::Lock.take(@config)
      app = Desk::App.new(@config, clock: Desk::SystemClock.new)
      log = Web::Log.new(File.open(File.join(@config.data, "web.log"), "a").tap { |f| f.sync = true })
      runner = Desk::Runner.new(app, on_error: log.method(:error))
      application = Web::Application.new(app, runner, log: log)
      server = Web::Serve.start(application, port: @config.port)
      backups = Desk::ScheduledBackups.new(@config).start { |says| tell(app, log, says) }
      listening = Desk::Listening.new(app) do
        runner.post.look_soon
        application.engine.nudge
      end.start
      greet(application)
      wait
      listening.stop
      backups&.kill
      application.stop
      server.stop(true)
      app.close
      lock.release
    end

    private

    def tell(app, log, says)
      log.line(level: "error", says: says)
      app.journal.add("problem", at: app.now, says: says, by: "desk")
    rescue Sequel::DatabaseError => e
      log.error(e)
    end

    def greet(application)
      @out.puts "Steady Move is at http://127.0.0.1:#{@config.port}/"
      return @out.flush unless application.first_run.open?

      @out.puts "Nobody can sign in yet. Open the page and enter this one-time word: #{application.first_run.token}"
      @out.flush
    end

    def wait
      stop = Queue.new
      %w[INT TERM HUP].each { |s| trap(s) { stop << s } }
      stop.pop
    end
  end
end
