# frozen_string_literal: true

require "optparse"

module SteadyMove
  # The command line: serve, backup, restore. Says one line and exits 1 where something can't be done.
  class Cli
    USAGE = <<~TEXT
      Usage: bin/steady-move COMMAND [--config FILE]
        serve [--port PORT]   serve the desk with the system's clock (bin/start does the same)
        backup FILE           the database and the key file in one archive, also while the desk runs
        restore FILE          put a backup into an empty data folder
    TEXT
    TROUBLE = [Desk::Config::Unusable, Desk::Backup::Failed, Store::Database::Unusable, Web::Serve::PortTaken,
               Core::Readiness::Rulebook::Invalid].freeze

    def self.run(words) = new(words).run

    def initialize(words)
      @options = {}
      parser = OptionParser.new do |o|
        o.on("--config FILE") { |v| @options[:config] = v }
        o.on("--port PORT", Integer) { |v| @options[:port] = v }
      end
      @command, @file, *@more = parser.parse(words)
    rescue OptionParser::ParseError => e
      abort "steady-move: #{e.message}\n#{USAGE}"
    end

    def run
      case [@command, @file.nil?]
      when ["serve", true] then serve
      when ["backup", false] then Desk::Backup.make(config, @file) && puts("The backup is in #{@file}; it holds the key, keep it safe.")
      when ["restore", false] then Desk::Backup.restore(config, @file) && puts("Restored into #{config.data}.")
      else abort USAGE
      end
    rescue *TROUBLE => e
      abort "Steady Move: #{e.message}"
    end

    private

    def config = @config ||= Desk::Config.read(@options[:config], env: @options[:port] ? ENV.to_h.merge("STEADY_MOVE_PORT" => @options[:port].to_s) : ENV)

    def serve
      app = Desk::App.new(config, clock: Desk::SystemClock.new)
      log = Web::Log.new(File.open(File.join(config.data, "web.log"), "a").tap { |f| f.sync = true })
      house = Web::House.new(app, Desk::Runner.new(app, on_error: log.method(:error)), log: log)
      server = Web::Serve.start(house, port: config.port)
      greet(house)
      wait
      house.stop
      server.stop(true)
      app.close
    end

    def greet(house)
      puts "Steady Move is at http://127.0.0.1:#{config.port}/"
      puts "Nobody can sign in yet. Open the page and enter this one-time word: #{house.first_run.token}" if house.first_run.open?
      $stdout.flush
    end

    def wait
      stop = Queue.new
      %w[INT TERM HUP].each { |s| trap(s) { stop << s } }
      stop.pop
    end
  end
end
