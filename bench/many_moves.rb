# frozen_string_literal: true

# Figures with many moves: passes of the runner, what is by hand, folds. The practice world runs in
# a process of its own, as in the demo.
module ManyMoves
  HAND = %w[slipway.example isles-weather.example].freeze

  # 500 moves over connections: each step due at once; and 500 that wait for people and registrars'
  # mail.
  def passes
    with_moves(500, at: %w[tarnbeck], like: ["isles-timetable.example"]) do |world|
      seconds = time { world.runner.pass }
      steps = world.app.db[:events].where(type: "done").count
      row("500 moves over connections, from the start: #{steps} steps done", seconds, "")
      world.app.db[:looks].update(due_at: world.app.now.to_i)
      row(
        "a pass over 500 moves over connections, each with a step due",
        time { world.runner.pass },
        "5 s"
      )
      row("a pass over 500 moves, nothing due", median(5) { world.runner.pass }, "50 ms")
    end
  end

  def waiting
    with_moves(500, at: %w[millrace cobble], like: HAND) do |world|
      row(
        "a first pass over 500 moves done by hand, all steps due",
        time { world.runner.pass },
        "5 s"
      )
      hands = SteadyMove::Desk::Moves::ManualSteps.new(world.app)
      row(
        "what is to be done by hand over 500 moves, gathered by place",
        median(3) { hands.places },
        ""
      )
      letters = SteadyMove::Desk::Letters::LetterWriter.new(world.app)
      row(
        "one letter for 250 names, drafted",
        median(3) { letters.draft("cobble", by: "bench") },
        ""
      )
    end
  end

  # 500 moves, 2,000 draws each, from their plans as they stand.
  def forecasts
    with_moves(500, at: %w[tarnbeck], like: ["isles-timetable.example"]) do |world|
      draws = SteadyMove::Core::Forecast::Draws.new(count: 2000)
      moves = world.app.moves.open
      seconds = median(3) { moves.each { |m| draws.ends(m.state, at: world.app.now, salt: m.id) } }
      row("500 moves forecast with 2,000 draws each", seconds, "3 s")
    end
  end

  # 10,000 moves that wait; what one of them costs is in nobody's way.
  def idle
    with_moves(1, at: %w[tarnbeck], like: ["isles-timetable.example"]) do |world|
      world.runner.pass
      multiply(world.app.db, 10_000)
      row("a pass over 10,000 open moves, nothing due", median(9) { world.runner.pass }, "50 ms")
      row(
        "the next instant at which one of 10,000 is due",
        median(9) { world.runner.next_look },
        ""
      )
    end
  end

  # The move that is there, as often again: its row, its journal, its waiting steps.
  def multiply(db, count)
    move, = db[:moves].all
    events = db[:events].where(move_id: move[:id]).all
    looks = db[:looks].where(move_id: move[:id]).all
    db.transaction do
      count.times do |i|
        id =
          db[:moves].insert(
            move.except(:id).merge(name: "idle#{i}.example", last_seq: 0, scheduled_seq: 0)
          )
        db[:events].multi_insert(
          events.map { |e| e.except(:seq).merge(move_id: id, name: "idle#{i}.example") }
        )
        db[:looks].multi_insert(looks.map { |l| l.merge(move_id: id) })
      end
      db[:moves].update(scheduled_seq: :last_seq)
    end
  end

  def fold
    with_moves(1, at: %w[tarnbeck], like: ["isles-timetable.example"]) do |world|
      world.runner.pass
      move = world.app.moves.all.first
      small, large =
        [1_000, 10_000].map do |count|
          events =
            Array.new(count) { |i| move.events[i % move.events.size].dup.tap { |e| e.seq = i } }
          median(5) { SteadyMove::Core::Moves::State.fold(move.plan, events) }
        end
      row("a move with 10,000 events folded", large, "")
      ratio("… against ten times 1,000", large / (small * 10), "1.1")
    end
  end

  def with_moves(count, at:, like:)
    world = BenchWorld.new(names_at: at, apart: true)
    count.times { |i| add_name(world, world.world.registry, i, like: like[i % like.size]) }
    yield world
  ensure
    world&.close
  end

  def add_name(world, registry, index, like:)
    world.start(take_name(world, registry, index, like: like), to: "orlop")
  end

  # A name more, like another one. Returns it.
  def take_name(world, registry, index, like:)
    name = "bench#{index}.example"
    model = registry.find(like)
    registry.domains.insert(
      model.except(:statuses, :name_servers, :ds).merge(
        name: name,
        roid: "B#{index}-PRAC",
        statuses: model[:statuses].to_json,
        name_servers: '["ns1.lanternroom.example","ns2.lanternroom.example"]',
        ds: "[]"
      )
    )
    imports = SteadyMove::Desk::Portfolio::Imports.new(world.app)
    choices = SteadyMove::Core::Imports::Choices.none
    choices.account = model[:sponsor]
    imports.go_on(imports.start(name, choices, by: "bench"))
    name
  end
end
