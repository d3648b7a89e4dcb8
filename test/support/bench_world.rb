# frozen_string_literal: true

require "tmpdir"
require_relative "../../practice/practice"
require_relative "../../practice/main"
require_relative "kept_worlds"

# A practice world and a desk beside it in one process, with a standing clock, for tests.
class BenchWorld
  # What hashing a password costs in tests.
  QUICK = { t_cost: 1, m_cost: 5, p_cost: 1 }.freeze

  attr_reader :desk, :folder, :world

  # timeout: seconds that the desk waits for the outside.
  # names_at: registrars whose names are there; nil for the whole portfolio. apart: the world's
  # servers run in a process of their own, as they do in the demo, so that they take no time from
  # the desk.
  # watch: names are looked at again by themselves. week: the scenario's week is lived through, as
  # the demo does; else nothing is under way.
  def initialize(timeout: 15, names_at: %w[tarnbeck], apart: false, watch: false, week: false)
    @folder = Dir.mktmpdir("steady-move-test", File.writable?("/dev/shm") ? "/dev/shm" : nil)
    kind = { names_at: names_at, week: week }
    KeptWorlds.copy(kind, into: @folder) { |folder| open_in(folder, **kind).ready(week) }
    open_in(@folder, names_at: names_at, timeout: timeout, watch: watch, apart: apart)
    @desk.places_again
  end

  # What was just filled lives through its week, and is left as it is.
  def ready(week)
    @desk.live_through_the_week if week
    app.close
  end

  def app = desk.app
  def link = desk.link
  def driver = desk.driver
  def runner = desk.runner
  def move(id) = app.moves.find(id)
  def plan(name, **options) = planner.propose(request(name, **options))
  def planner = SteadyMove::Desk::Planning::Planner.new(app)
  def request(name, **options) = SteadyMove::Desk::Planning::Request.new(name: name, **options)

  def start(name, price: :any, by: "ada@saltern-office.example", **options)
    planner.start(request(name, **options), by: by, price: price)
  end

  def orders = @orders ||= SteadyMove::Desk::Moves::MoveCommands.new(app)

  # Moves the clock on event by event until the block holds; fails after `most` events.
  def until_true(most: 60, what: "it")
    most.times do
      return if yield

      driver.move_on
    end
    raise "#{what} did not come about in #{most} events"
  end

  def close
    app.close
    @apart&.then { |pid| Process.kill("TERM", pid) && Process.wait(pid) }
    FileUtils.rm_rf(folder)
  end

  private

  # Opens the world and the desk that lie in a folder, or makes them there.
  def open_in(folder, names_at:, timeout: 15, watch: false, apart: false, **)
    scenario = Practice::Scenario.demo(names_at: names_at)
    FileUtils.mkdir_p(world_folder = File.join(folder, "world"))
    main = Practice::Main.new(world_folder, rate: 0, scenario: scenario)
    @world = main.world
    apart ? start_apart(world_folder) : main.start
    @desk =
      Practice::DeskSide::Desk.new(
        JSON.parse(File.read(File.join(world_folder, "endpoints.json"))),
        data: File.join(folder, "desk"),
        port: 0,
        cost: QUICK,
        timeout: timeout,
        scenario: scenario,
        watch: watch
      )
    self
  end

  def start_apart(world_folder)
    @told, writer = IO.pipe
    @apart =
      Process.spawn(
        "ruby",
        File.expand_path("../../practice/main.rb", __dir__),
        "--data",
        world_folder,
        "--rate",
        "0",
        out: writer
      )
    writer.close
    @told.gets or raise "the practice world did not start"
  end
end
