# frozen_string_literal: true

require_relative "practice"
require "optparse"
require "puma"
require "puma/server"
require "rack"

module Practice
  # Starts every server of the practice world on loopback and writes where they are to
  # endpoints.json.
  class Main
    attr_reader :world

    # folder: data folder; rate: of the clock.
    def initialize(folder, rate:, scenario: Scenario.demo)
      @folder = folder
      @ports = Ports.new(File.join(folder, "ports.json"))
      @world = World.new(folder, scenario, rate: rate, site: "http://127.0.0.1:#{@ports["http"]}")
      @certificate = Certificate.at(folder)
    end

    def start
      start_epp
      start_dns
      box = @world.scenario.mailbox
      Post::ImapServer.new(
        @ports["imap"],
        @world,
        login: box["login"],
        password: box["password"]
      ).start
      Post::SmtpServer.new(@ports["smtp"], @world).start
      start_http
      @ports.publish(
        File.join(@folder, "endpoints.json"),
        "ca_file" => File.join(@folder, "cert.pem")
      )
    end

    private

    def start_epp
      customers =
        @world.scenario.registrars.each do |id, row|
          next if row["kind"] == "by_hand"

          logins = { row["login"] => [row["password"], @world.registrars.fetch(id)] }
          Epp::Server.new(
            @ports["epp-#{id}"],
            @world,
            id: id,
            certificate: @certificate,
            logins: logins
          ).start
        end
      direct =
        customers.to_h do |id, row|
          [id, [row["password"], Epp::RegistrySide.new(id, @world.registry)]]
        end
      Epp::Server.new(
        @ports["epp-registry"],
        @world,
        id: "registry",
        certificate: @certificate,
        logins: direct
      ).start
    end

    def start_dns
      @world.hosts.each { |id, host| Dns::Server.new(@ports["dns-#{id}"], @world, host).start }
      parent =
        Dns::Parent.new(
          "registry",
          @world.scenario.suffixes,
          @world.registry,
          server: @world.scenario.registry["server"],
          glue: @world.scenario.registry.fetch("glue", {})
        )
      Dns::Server.new(@ports["dns-registry"], @world, parent).start
    end

    def start_http
      rdap = Rdap.new(@world)
      control = Control.new(@world)
      counters = Counters::Pages.new(@world)
      app =
        lambda do |env|
          room = { "control" => control, "counter" => counters }.fetch(
            env["PATH_INFO"].split("/")[1],
            rdap
          )
          room.call(env)
        end
      server =
        Puma::Server.new(app, nil, min_threads: 1, max_threads: 8, log_writer: Puma::LogWriter.null)
      server.add_tcp_listener("127.0.0.1", @ports["http"])
      server.run
    end
  end
end

if $PROGRAM_NAME == __FILE__
  options = { rate: 1 }
  OptionParser
    .new do |o|
      o.on("--data FOLDER") { |v| options[:folder] = v }
      o.on("--rate RATE", Integer) { |v| options[:rate] = v }
    end
    .parse!
  $stdout.sync = true
  begin
    Practice::Main.new(options.fetch(:folder), rate: options[:rate]).start
  rescue Practice::Database::Outdated => e
    abort "Steady Move can't start: #{e.message}"
  end
  puts "ready"
  stop = Queue.new
  %w[INT TERM].each { |s| trap(s) { stop << s } }
  stop.pop
end
