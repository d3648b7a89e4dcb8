# frozen_string_literal: true

require "optparse"

module SteadyMove
  # The command line. Says one line and exits 1 where something can't be done, 2 where what was
  # given is wrong.
  class Cli
    WORDS = %w[
      config
      port
      data
      at
      to
      accounts
      horizon
      expires
      landed
      years
      max-years
      names
      sender-domains
      authserv-id
      origin
      before
    ].freeze

    # How serve ends where only a person can put right what is wrong (EX_CONFIG of sysexits.h): the
    # service is not started again.
    UNSERVABLE = 78

    # words: ARGV. Ends the process.
    def self.run(words, out: $stdout, err: $stderr) = new(words, out, err).run

    def initialize(words, out, err)
      @out = out
      @err = err
      @given = {}
      parser =
        OptionParser.new do |o|
          WORDS.each { |w| o.on("--#{w} VALUE") { |v| @given[w.tr("-", "_").to_sym] = v } }
          o.on("--check") { @given[:check] = true }
          o.on("--keep") { @given[:keep] = true }
          o.on("--in-grace") { @given[:in_grace] = true }
          o.on("--version") { @out.puts("Steady Move #{VERSION}") || exit }
          o.on("-h", "--help") { @out.puts(Usage::TEXT) || exit }
        end
      @command, @file, *@more = parser.parse(words)
    rescue OptionParser::ParseError => e
      misused(e.message)
    end

    def run
      case [@command, @file.nil?]
      when ["serve", true]
        at_the_desk(UNSERVABLE) { Serving.new(config, @out).call }
      when ["backup", false], ["export", false], ["import", false]
        keep(@command, @file)
      when ["people", false]
        people
      when ["purge", true]
        purge
      when ["check", true]
        check_config
      when ["restore", false]
        keep(@given[:check] ? "check" : @command, @file)
      when ["verify", true], ["change-key", true], ["test-alert", true]
        keep(@command.tr("-", "_"))
      else
        exit script
      end
    end

    private

    def people
      misused("#{PeopleCommands::USAGE} is expected") unless PeopleCommands.fits?(@file, @more)

      keep("people", @file, @more)
    end

    def purge
      misused("purge --before DATE is expected") unless @given[:before]

      keep("purge", @given[:before])
    end

    # Ends with 1 where something is wrong; each thing in a line.
    def check_config
      misused("check --config FILE is expected") unless @given[:config]

      found = Desk::ConfigFile.new(@given[:config]).problems
      @out.puts(found.empty? ? "#{@given[:config]} is right." : found)
      exit(found.empty? ? 0 : 1)
    end

    # Ends the process with what the command returns.
    def keep(command, *words)
      at_the_desk { exit AdminCommands.new(config, @out).public_send(command, *words) }
    end

    # Serves no script: its errors are those of a whole desk. status: to end with where only a
    # person can put it right.
    def at_the_desk(status = 1)
      yield
    rescue Web::Serve::PortTaken => e
      stop(e, 1)
    rescue Desk::Refused, Store::Database::Unusable, Core::Readiness::Rulebook::Invalid => e
      stop(e, status)
    end

    def stop(error, status)
      warn(error.message.lines(chomp: true).map { |line| "Steady Move: #{line}" })
      exit status
    end

    # What is named here is loaded when a script needs it, so that a script starts fast. Returns the
    # exit status.
    def script
      case [@command, @file.nil?]
      when ["judge", false]
        judge
      when ["codes", false]
        codes
      when ["read-mail", false]
        read_mail
      when ["zone", false]
        zone
      when ["desk", false]
        Scripts::RunningDesk.new(@given, out: @out).call(@file, @more)
      when ["handover", false]
        Scripts::Handover.call(setting.read(@file), out: @out, err: @err)
      when ["expiry", true]
        Scripts::Expiry.call(@given, out: @out, err: @err)
      else
        misused("there is no such command")
      end
    rescue Scripts::Misused, Wire::Malformed => e
      @err.puts "#{@file || @command}: #{e.message}"
      2
    rescue Desk::Refused, Core::Readiness::Rulebook::Invalid => e
      @err.puts "Steady Move: #{e.message}"
      1
    end

    def misused(why)
      @err.puts "steady-move: #{why}", Usage::TEXT
      exit 2
    end

    def config
      said = {
        "STEADY_MOVE_PORT" => port,
        "STEADY_MOVE_DATA" => @given[:data] && File.expand_path(@given[:data])
      }
      env = ENV.to_h.merge(said.compact)
      @config ||= Desk::Config.read(@given[:config], env: env)
    end

    def port
      given = @given[:port] or return
      unless given.match?(/\A\d+\z/) && given.to_i.between?(1, 65_535)
        misused("--port #{given}: a number from 1 to 65535 is expected")
      end

      given
    end

    def setting = @setting ||= Scripts::Setting.new(@given)
    def rulebook =
      @rulebook ||= Desk::Portfolio::Rulebooks.load(File.join(ROOT, "config", "rulebook"))

    def codes
      Scripts::Codes.call(setting.read(@file), suffixes: rulebook.deep_suffixes, out: @out)
    end

    # @file: canonical or compare; @more: the files.
    def zone
      expected = { "canonical" => 1, "compare" => 2 }[@file]
      unless expected == @more.size
        misused("zone canonical FILE or zone compare OLD NEW is expected")
      end

      zones =
        Scripts::Zones.new(
          setting,
          origin: @given[:origin],
          keep: @given[:keep] == true,
          out: @out,
          err: @err
        )
      zones.public_send(@file, *@more)
    end

    # Returns 2 where one of the files is no message; the others are read all the same.
    def read_mail
      reader =
        Scripts::ReadMail.new(
          names: @given[:names],
          domains: @given[:sender_domains],
          ids: @given[:authserv_id],
          suffixes: rulebook.deep_suffixes
        )
      [@file, *@more].reduce(0) do |status, file|
        @out.puts reader.line(setting.octets(file))
        status
      rescue Scripts::Misused, Wire::Malformed => e
        @err.puts "#{file}: #{e.message}"
        2
      end
    end

    def judge
      destination = setting.destination { config }
      Scripts::Judge.new(
        rulebook,
        at: setting.at,
        horizon: setting.horizon,
        destination: destination,
        out: @out,
        err: @err
      ).call(setting.read(@file))
    end
  end
end
