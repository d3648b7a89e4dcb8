# frozen_string_literal: true

require "rack/mock"

# Figures with several names at once: comparing, rehearsing, the lists with 500 open moves, and
# scrolling them.
module ManyAtOnce
  BY = Practice::DeskSide::Desk::EMAIL

  # 500 names × all destinations × 10 years.
  def compare
    with_names(500) do |world, names|
      comparison = -> do
        SteadyMove::Desk::Batches::Comparison.new(world.app).compare(
          names,
          years: 10,
          privacy: true
        )
      end
      count = world.app.accounts.all.size - 1
      row(
        "500 names × #{count} destinations × 10 years compared",
        median(3) { comparison.call },
        "1 s"
      )
    end
  end

  # A copy of 20 plans, a hundred lives.
  def rehearsal
    with_names(20) do |world, names|
      id, = SteadyMove::Desk::Batches::BatchCommands.new(world.app).make(names, by: BY, to: "orlop")
      batch = world.app.batches.find(id)
      row(
        "20 moves rehearsed 100 times",
        time { SteadyMove::Desk::Batches::Rehearsing.new(world.app).rehearse(batch) },
        "60 s"
      )
    end
  end

  # 95th percentile of what the lists answer, forecasts included.
  def lists
    with_moves(500, at: %w[tarnbeck], like: ["isles-timetable.example"]) do |world|
      world.runner.pass
      house = world.desk.application(log: SteadyMove::Web::Log.new(File.open(File::NULL, "w")))
      token =
        house.tokens.make(world.app.db[:people].first, title: "bench", role: "viewer", days: 1)
      rack = Rack::MockRequest.new(house.rack)
      %w[/api/desk /api/moves /api/axis].each do |path|
        took =
          Array.new(40) { time { rack.get(path, "HTTP_AUTHORIZATION" => "Bearer #{token}") } }.sort
        row("GET #{path}, 500 open moves, p95", took[(took.size * 0.95).floor], "100 ms")
      end
    end
  end

  # Long tasks in Chromium while 500 moves are scrolled on their axis.
  def axis
    require_relative "long_axis"
    page = LongAxis.new(500)
    figure(
      "500 moves on their axis scrolled: longest task in Chromium",
      "#{page.longest} ms",
      "50 ms"
    )
  ensure
    page&.close
  end

  def with_names(count)
    world = BenchWorld.new(names_at: %w[tarnbeck], apart: true)
    yield(
      world,
      Array.new(count) do |i|
        take_name(world, world.world.registry, i, like: "isles-timetable.example")
      end
    )
  ensure
    world&.close
  end
end
