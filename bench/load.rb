# frozen_string_literal: true

require "net/http"

# Fifty people at a desk with 500 moves while eight hours of practice time go by: errors, memory,
# how long they wait.
module Load
  PEOPLE = 50
  HOURS = 8
  STEP = 900
  DUE = 200
  # Seconds that somebody looks at a page before the next.
  THINKING = 4.0
  VIEWS = %w[
    /api/desk
    /api/names
    /api/moves
    /api/moves/1
    /api/hands
    /api/post
    /api/clock
    /api/session
  ].freeze

  def load
    SQLite3::ForkSafety.suppress_warnings!
    with_moves(500, at: %w[tarnbeck], like: ["isles-timetable.example"]) do |world|
      served(world) do |house, port|
        people(house)
        crowd = crowd(port)
        told(crowd, live_through(world))
      end
    end
  end

  # Moves that are all due at once, with fifty people at the pages and without.
  def crowded
    SQLite3::ForkSafety.suppress_warnings!
    with_moves(DUE, at: %w[tarnbeck], like: ["isles-timetable.example"]) do |world|
      world.runner.pass
      row("a pass over #{DUE} due moves, nobody there", due(world), "")
      served(world) do |house, port|
        people(house)
        crowd = crowd(port)
        IO.select(nil, nil, nil, 15)
        row("  with #{PEOPLE} people", due(world), "10 s")
        told(crowd, [memory])
      end
    end
  end

  # An hour (or BENCH_MINUTES) of wall time at full load, with the allocator's setting that
  # bin/steady-move has: memory.
  def hour
    SQLite3::ForkSafety.suppress_warnings!
    minutes = ENV.fetch("BENCH_MINUTES", "60").to_i
    with_moves(200, at: %w[tarnbeck], like: ["isles-timetable.example"]) do |world|
      served(world) do |house, port|
        people(house)
        crowd = crowd(port)
        sizes =
          Array.new(minutes * 6) do
            world.driver.move_on(to: world.app.now + 60)
            IO.select(nil, nil, nil, 10)
            memory
          end
        told(crowd, sizes)
        figure(
          "  memory after #{minutes} min, arenas: #{ENV.fetch("MALLOC_ARENA_MAX", "as they come")}",
          "#{sizes.max} MB",
          "300 MB"
        )
      end
    end
  end

  # The desk of a world, served while the block runs with the application and its port.
  def served(world)
    house = world.desk.application(log: SteadyMove::Web::Log.new(File::NULL))
    server = SteadyMove::Web::Serve.start(house, port: 0)
    yield house, server.connected_ports.first
  ensure
    house&.stop
    server&.stop(true)
  end

  private

  def people(house)
    hash = house.people.passwords.hash("three grey herons")
    PEOPLE.times { |i| house.people.add("p#{i}@bench.example", hash, role: "viewer") }
  end

  # Memory of the desk in MB after each step of the clock, the first hour left out.
  def live_through(world)
    (HOURS * 3600 / STEP)
      .times
      .map do |i|
        world.driver.move_on(to: world.app.now + STEP)
        IO.select(nil, nil, nil, 0.5)
        i * STEP < 3600 ? nil : memory
      end
      .compact
  end

  def due(world)
    world.app.db[:looks].update(due_at: world.app.now.to_i)
    time { world.runner.pass }
  end

  def memory = File.read("/proc/self/status")[/VmRSS:\s+(\d+)/, 1].to_i / 1024

  # The people, in a process of their own: a pipe from which their times come once it is closed to
  # them.
  def crowd(port)
    stop, go_on = IO.pipe
    told, telling = IO.pipe
    pid =
      fork do
        go_on.close
        Signal.trap("TERM") { exit!(0) }
        Thread.new { stop.read && (@over = true) }
        took = Array.new(PEOPLE) { |i| Thread.new { person(port, i) } }.flat_map(&:value)
        telling.write(JSON.generate(took))
        telling.close
        exit!(0)
      end
    telling.close
    { pid: pid, go_on: go_on, told: told }
  end

  def person(port, number)
    cookie = arrive(port, "p#{number}@bench.example")
    took = []
    Net::HTTP.start("127.0.0.1", port, read_timeout: 60) do |http|
      until @over
        path = VIEWS[(number + took.size) % VIEWS.size]
        code = nil
        seconds = time { code = http.get(path, "Cookie" => cookie).code }
        took << [path, code, seconds]
        IO.select(nil, nil, nil, THINKING)
      end
    end
    took
  end

  # Whoever comes while many others do waits a moment and tries again, as the page says.
  def arrive(port, email)
    cookie = sign_in(port, email, "three grey herons")
    Net::HTTP.start("127.0.0.1", port) do |http|
      return cookie if JSON.parse(http.get("/api/session", "Cookie" => cookie).body)["signed_in"]
    end
    IO.select(nil, nil, nil, 1)
    arrive(port, email)
  end

  def told(crowd, sizes)
    crowd[:go_on].close
    took = JSON.parse(crowd[:told].read)
    Process.wait(crowd[:pid])
    seconds = took.map(&:last).sort
    figure("#{PEOPLE} people, 500 moves, #{HOURS} h: requests", took.size.to_s, "")
    figure("  that were not answered with 200", took.count { |_, code, _| code != "200" }.to_s, "0")
    row("  p95", seconds[(seconds.size * 0.95).floor], "150 ms")
    row("  median", seconds[seconds.size / 2], "")
    took
      .group_by(&:first)
      .each do |path, list|
        times = list.map(&:last).sort
        row("  #{path}, p95", times[(times.size * 0.95).floor], "")
      end
    figure("  memory, least and most after the first hour", sizes.minmax.join(" and "), "±10 %")
  end
end
