# frozen_string_literal: true

require "io/wait"
require "puma/sd_notify"

module SteadyMove
  # Serves the desk with the system's clock until it is told to stop. As a service: readiness, the
  # end and signs of life are told to systemd (sd_notify); SIGHUP opens the log anew; SIGTERM and
  # SIGINT end it within ten seconds, whatever is under way. What is cut off by that is taken up at
  # the next start.
  class Serving
    # Seconds after which the end is forced.
    PATIENCE = 9
    # Seconds between signs of life; none is given where the runner's heart has stood still for
    # longer than this.
    BEAT = 10
    STANDSTILL = 120

    def initialize(config, out)
      @config = config
      @out = out
      @heard, @signals = IO.pipe
    end

    def call
      File.umask(0o077)
      lock = Desk::Lock.take(@config)
      begin_work
      greet
      watch
      Puma::SdNotify.stopping
      cut_off_late
      finish
      lock.release
    end

    private

    def begin_work
      @log = Web::Log.open(@config.log_file, level: @config.log["level"])
      @app = Desk::App.new(@config, clock: Desk::SystemClock.new)
      refuse_second_key
      %w[INT TERM HUP].each { |s| trap(s) { @signals.write_nonblock(s[0]) } }
      @runner = Desk::Engine::StepRunner.new(@app, on_error: @log.method(:error))
      @application = Web::Application.new(@app, @runner, log: @log)
      @server = Web::Serve.start(@application, port: @config.port, host: @config.listen)
      begin_aside
      Puma::SdNotify.ready
    end

    # A key beside the one in use: whichever fits became the key when the database was opened.
    def refuse_second_key
      file = Desk::KeyChange.beside(@config)
      raise Store::Database::Unusable, Words.say(:"key.second", file: file) if File.exist?(file)
    end

    def begin_aside
      @backups =
        Desk::ScheduledBackups.new(@config, told: @app.system_state).start { |says| tell(says) }
      @listening =
        Desk::Mail::Listening
          .new(@app) do
            @runner.post.look_soon
            @application.engine.nudge
          end
          .start
    end

    def tell(says)
      @log.line(level: "error", says: says)
      @app.journal.add("problem", at: @app.now, says: says, by: "desk")
    rescue Sequel::DatabaseError => e
      @log.error(e)
    end

    def greet
      host = @config.listen.include?(":") ? "[#{@config.listen}]" : @config.listen
      @out.puts "Steady Move is at http://#{host}:#{@config.port}#{@config.path}/"
      if @application.first_run.open?
        @out.puts "Nobody can sign in yet. Open the page and enter this one-time word: " \
                    "#{@application.first_run.token}"
      end
      @out.flush
    end

    # Until somebody says to stop.
    def watch
      loop do
        said = @heard.wait_readable(BEAT) && @heard.read_nonblock(1)
        break if said && said != "H"

        said ? @log.reopen : sign_of_life
      end
    end

    def sign_of_life = @application.engine.beat_age < STANDSTILL && Puma::SdNotify.watchdog

    # A connection that says nothing, or a request that waits for one, holds up nobody's stop.
    def cut_off_late
      Thread.new do
        sleep PATIENCE
        @log.line(level: "warn", says: Words.say(:"web.cut_off", seconds: PATIENCE))
        exit!(0)
      end
    end

    def finish
      @listening.stop
      @backups&.kill
      @application.stop
      @server.stop(true)
      @app.close
    end
  end
end
