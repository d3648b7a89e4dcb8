# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/mortal_world"

# kill -9 at every point around every outward act, on either side: the move goes on and nothing is
# done twice.
class KillTest < Minitest::Test
  include MortalWorld

  NAME = "saltern-isles.example"
  ONCE = [
    "tarnbeck update switch-ns",
    "tarnbeck update unlock",
    "orlop transfer request order",
    "tarnbeck transfer approve release",
    "orlop update lock-back"
  ].freeze

  # Kills its own process the first time that each point is reached; what was reached is kept in a
  # file.
  class Trap
    def initialize(file)
      @file = file
      FileUtils.touch(file)
    end

    def reached = File.readlines(@file, chomp: true)

    def reach(point)
      return if reached.include?(point)

      File.open(@file, "a") { |f| f.puts(point) }
      Process.kill(:KILL, Process.pid)
    end
  end

  def setup
    @folder = Dir.mktmpdir("steady-move-kill", File.writable?("/dev/shm") ? "/dev/shm" : nil)
    FileUtils.mkdir_p(@world_folder = File.join(@folder, "world"))
    @trap = Trap.new(File.join(@folder, "reached"))
  end

  def teardown
    end_world
    FileUtils.rm_rf(@folder)
  end

  def link = Practice::DeskSide::Link.new(endpoints)

  # What was asked of the outside to change the name, with the step that its key tells.
  def asked
    link
      .log
      .select do |l|
        l["name"] == NAME && l["command"] =~ /update|transfer (request|approve)/ && l["code"] < 2000
      end
      .map { |l| "#{l["registrar"]} #{l["command"]} #{l["key"][/\Asm-1-(.+)-\d+\z/, 1]}" }
  end

  # With `deadly` it kills itself around each act that it is asked for.
  def start_world(deadly: false) = begin_world { arm_world if deadly }

  def arm_world
    trap = @trap
    Practice::Epp::Service.prepend(
      Module.new do
        define_method(:call) do |request|
          acting = request.verb == "update" || %w[request approve].include?(request.op)
          point = request.key.to_s[/\Asm-1-(.+)-\d+\z/, 1]
          trap.reach("before #{point}") if acting
          super(request).tap { trap.reach("after #{point}") if acting }
        end
      end
    )
  end

  # The desk's points: before an act is written down, before it is sent, after the answer, after the
  # proof is written.
  def arm_desk
    trap = @trap
    SteadyMove::Desk::Moves::StepContext.prepend(
      Module.new do
        define_method(:intend) do |says, &act|
          trap.reach("before #{id}")
          super(says) do |key|
            trap.reach("written #{id}")
            act.call(key).tap { trap.reach("answered #{id}") }
          end
        end
      end
    )
    SteadyMove::Store::Journal.prepend(
      Module.new do
        define_method(:add) do |type, **rest|
          super(type, **rest).tap { trap.reach("proven #{rest[:step]}") if type == "done" }
        end
      end
    )
  end

  def wish
    SteadyMove::Desk::Planning::Request.new(name: NAME, to: "orlop", host: "lanternroom")
  end

  # Lives through the move until it is settled; every pass may end in a kill.
  def live(desk)
    planning = SteadyMove::Desk::Planning::Planner.new(desk.app)
    planning.start(wish, by: "ada") if desk.app.moves.all.empty?
    orders = SteadyMove::Desk::Moves::MoveCommands.new(desk.app)
    60.times do
      move = desk.app.moves.find(1)
      return move unless move.open

      orders.approve(1, by: "ada") if move.state["release"]&.active? && !move.state.approved?
      yield if block_given?
      desk.driver.move_on
    rescue Practice::DeskSide::Link::Away
      yield
    end
    flunk desk.app.moves.find(1).events.map(&:says).last(5).join("\n")
  end

  def test_the_desk_is_killed_at_every_point
    start_world
    rounds = 0
    loop do
      pid =
        fork do
          arm_desk
          live(open_desk)
          exit!(0)
        rescue Exception => e # rubocop:disable Lint/RescueException -- the child must never run the parent's tests
          File.write(File.join(@folder, "said"), e.full_message)
          exit!(1)
        end
      Process.wait(pid)
      rounds += 1
      break if $CHILD_STATUS.success?

      if $CHILD_STATUS.exitstatus == 1
        flunk "round #{rounds}, reached: #{@trap.reached}: #{File.read(File.join(@folder, "said"))}"
      end
    end
    acts = %w[put-zone switch-ns unlock order release lock-back]
    acts.each do |a|
      %w[before written answered].each { |p| assert_includes @trap.reached, "#{p} #{a}" }
    end
    assert_operator @trap.reached.size, :>=, 30
    assert_equal ONCE, asked
    desk = open_desk
    assert_equal "Settled", desk.app.moves.find(1).state.stage
    assert_nil desk.app.journal.broken_at
    desk.app.close
  end

  def test_the_practice_world_is_killed_at_every_act
    start_world(deadly: true)
    desk = open_desk
    revive =
      lambda do
        next unless Process.wait(@world_pid, Process::WNOHANG)

        start_world(deadly: true)
      end
    assert_equal "Settled", live(desk, &revive).state.stage
    assert_operator @trap.reached.size, :>=, 10, @trap.reached.inspect
    assert_equal ONCE, asked
    desk.app.close
  end

  # Two processes with one database, both awake all the time.
  def test_two_processes_never_do_a_step_twice
    start_world
    first = open_desk
    SteadyMove::Desk::Planning::Planner.new(first.app).start(wish, by: "ada")
    endless =
      fork do
        other = open_desk
        loop do
          other.clock.sync
          other.runner.pass
        end
      end
    assert_equal "Settled", live(first).state.stage
    assert_equal asked.uniq, asked
    assert_empty ONCE.grep_v(/approve/) - asked
  ensure
    Process.kill(:KILL, endless) && Process.wait(endless) if endless
    first&.app&.close
  end
end
