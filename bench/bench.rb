# frozen_string_literal: true

# Figures of the issues, measured: machine, commit, median of several runs, the limit, and a peer
# where there is one.
require_relative "../test/support/bench_world"
require "net/http"
require "etc"
require "zlib"
require_relative "many_names"
require_relative "many_moves"
require_relative "many_at_once"
require_relative "growth"
require_relative "load"
require_relative "vitals"
require_relative "years"
require_relative "zones"

# Prints one row a figure.
class Bench
  include ManyNames
  include ManyMoves
  include ManyAtOnce
  include Growth
  include Load
  include Vitals
  include Years
  include Zones

  NAMES = %w[nightboat-saltern.example isles-timetable.example].freeze

  def initialize
    cpu = File.read("/proc/cpuinfo")[/model name\s*:\s*(.+)/, 1]
    puts "machine: #{Etc.nprocessors} × #{cpu}; ruby #{RUBY_VERSION}; commit " \
           "#{`git rev-parse --short HEAD`.strip}"
    printf(
      "%-62<what>s %12<median>s %12<limit>s  %<peer>s\n",
      what: "what",
      median: "median",
      limit: "limit",
      peer: "peer, ratio"
    )
  end

  def clock = Process.clock_gettime(Process::CLOCK_MONOTONIC)

  def time
    began = clock
    yield
    clock - began
  end

  def median(runs, &block) = Array.new(runs) { time(&block) }.sort[runs / 2]

  def row(what, seconds, limit, peer = "")
    value = seconds < 1 ? format("%.0f ms", seconds * 1000) : format("%.2f s", seconds)
    printf(
      "%-62<what>s %12<value>s %12<limit>s  %<peer>s\n",
      what: what,
      value: value,
      limit: limit,
      peer: peer
    )
  end

  PARTS = %i[
    first_page
    scripts
    api
    passes
    waiting
    forecasts
    compare
    rehearsal
    lists
    axis
    idle
    fold
    judging
    judging_many
    one_change
    fifty_thousand
    understanding
    zones
    live_check
    carry_sheet
    growth
    load
    crowded
    years
    vitals
    front_end
  ].freeze

  # Only where they are named: they take long.
  LONG = %i[hour].freeze

  # parts: names of PARTS; all where none is given.
  def run(parts)
    (parts.empty? ? PARTS : (PARTS + LONG) & parts.map(&:to_sym)).each { |part| public_send(part) }
  end

  def figure(what, value, limit)
    printf("%-62<what>s %12<value>s %12<limit>s\n", what: what, value: value, limit: limit)
  end

  def ratio(what, value, limit) = figure(what, format("%.2f times", value), limit)

  # bin/demo with nothing missing, until its first page is served; and with the week that it lives
  # through once.
  def first_page
    demo("--empty") { |_, seconds| row("bin/demo --empty, first page", seconds, "8 s") }
    demo { |_, seconds| row("bin/demo, the very first page: a week is lived through", seconds, "") }
  end

  # Commands for scripts, from nothing to their last line.
  def scripts
    Dir.mktmpdir do |folder|
      {
        "c.csv" => "a.example,Ab3dEf\n",
        "d.json" => '{"objectClassName":"domain","ldhName":"a.example"}',
        "m.eml" => "From: a@reg.test\r\nSubject: a.example\r\n\r\nhello\r\n"
      }.each { |file, text| File.write(File.join(folder, file), text) }
      [
        %w[expiry --expires 2027-03-01T08:00:00Z --landed 2026-12-01T08:00:00Z],
        %w[codes c.csv],
        %w[judge d.json],
        %w[read-mail m.eml --names a.example]
      ].each do |words|
        command = [File.expand_path("bin/steady-move"), *words]
        row(
          "bin/steady-move #{words.first}, from start to end",
          median(5) { system(*command, chdir: folder, out: File::NULL) },
          "600 ms"
        )
      end
    end
  end

  def page(port)
    Net::HTTP.get_response("127.0.0.1", "/", port).code == "200"
  rescue SystemCallError
    IO.select(nil, nil, nil, 0.05) && false
  end

  # 95th percentile of each view's question with eight clients at once, against bin/demo as it runs.
  def api
    demo do |port|
      cookie = sign_in(port)
      %w[
        /api/desk
        /api/names
        /api/names/saltern-isles.example
        /api/moves
        /api/moves/1
        /api/hands
        /api/post
        /api/rulebook
        /api/status
      ].each do |path|
        took = Array.new(8) { Thread.new { client(port, path, cookie) } }.flat_map(&:value).sort
        row("GET #{path}, 48 names, 8 clients, p95", took[(took.size * 0.95).floor], "80 ms")
      end
    end
  end

  # Runs bin/demo until the block is done; yields its port once the first page is served, and the
  # seconds that took.
  def demo(*more)
    Dir.mktmpdir do |folder|
      port = TCPServer.open("127.0.0.1", 0) { |s| s.addr[1] }
      pid = nil
      seconds =
        time do
          pid =
            Process.spawn(
              "bin/demo",
              "--port",
              port.to_s,
              "--data",
              folder,
              *more,
              %i[out err] => File::NULL,
              :pgroup => true
            )
          IO.select(nil, nil, nil, 0.02) until page(port)
        end
      yield port, seconds
    ensure
      Process.kill("INT", pid)
      Process.wait(pid)
    end
  end

  def client(port, path, cookie)
    Net::HTTP.start("127.0.0.1", port) do |http|
      Array.new(25) { time { raise path unless http.get(path, "Cookie" => cookie).code == "200" } }
    end
  end

  def sign_in(
    port,
    email = Practice::DeskSide::Desk::EMAIL,
    password = Practice::DeskSide::Desk::PASSWORD
  )
    Net::HTTP.start("127.0.0.1", port) do |http|
      first = http.get("/api/session")
      cookie = first["set-cookie"][/\A[^;]+/]
      body = { email: email, password: password }.to_json
      answer =
        http.post(
          "/api/sign-in",
          body,
          "Cookie" => cookie,
          "X-CSRF-Token" => JSON.parse(first.body)["csrf"],
          "Content-Type" => "application/json"
        )
      answer["set-cookie"][/steady_move=[^;]+/]
    end
  end

  def judging
    world = BenchWorld.new(names_at: nil)
    judge = SteadyMove::Desk::Portfolio::Judging.new(world.app)
    names = world.app.names.all.map { |n| n[:name] }
    row(
      "judging 48 names one by one from the database",
      median(5) { names.each { |n| judge.one(n) } },
      ""
    )
    world.close
  end

  # Messages and lists of codes as they come in.
  def understanding
    held = Array.new(200) { |i| SteadyMove::Core::Names::DomainName.parse("n#{i}.example") }
    raw =
      Array.new(1000) do |i|
        "From: notices@reg.test\r\nDate: Mon, 01 Mar 2027 10:00:00 +0000\r\nSubject: Transfer of " \
          "n#{i % 200}.example\r\n\r\n#{"A line of news.\r\n" * 30}The authorization code of n" \
          "#{i % 200}.example is: " \
          "Ab#{i}xy\r\nuntil 2027-03-06 10:00 UTC\r\n"
      end
    seconds =
      time do
        raw.each do |r|
          m = SteadyMove::Wire::Mail::Eml.read(r)
          SteadyMove::Core::Post::Reader.read(m, held: held, known: ["reg.test"])
        end
      end
    row("1,000 messages understood", seconds, "20 s")
    list = Array.new(10_000) { |i| "n#{i}.example,co;de\"#{i}" }.join("\n")
    row(
      "a list of 10,000 codes read",
      median(3) { SteadyMove::Core::Codes::List.read(list) },
      "3 s"
    )
  end

  def front_end
    size = Dir["public/assets/*.js"].sum { |f| Zlib.gzip(File.binread(f), level: 9).bytesize }
    figure("front end: scripts, gzip", "#{size / 1000} kB", "150 kB")
  end
end

Bench.new.run(ARGV) if $PROGRAM_NAME == __FILE__
