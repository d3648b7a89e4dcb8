# frozen_string_literal: true

require_relative "mortal_world"

# Kills the desk and the practice world again and again, each at a random one of its own acts, while moves run and are
# called off; then the registry's log is held against the journal. Seeded: no clock decides where a kill falls.
class Torture
  include MortalWorld

  # Kills its own process at the n-th act.
  class Fuse
    def initialize(acts)
      @left = acts
      @lock = Mutex.new
    end

    def burn
      @lock.synchronize { @left -= 1 }
      Process.kill(:KILL, Process.pid) if @left.zero?
    end
  end

  ACTING = /update|transfer (request|approve|cancel|reject)/
  DESK = { to: "orlop", host: "lanternroom", moves: 5 }.freeze
  # A round that ends nothing more ends itself.
  STEPS = 400

  attr_reader :kills, :rounds

  # kills: how many are wanted; random: Random; out: where rounds are told.
  def initialize(kills, random, out: nil)
    @wanted = kills
    @random = random
    @out = out
    @kills = { "desk" => 0, "world" => 0 }
    @rounds = 0
  end

  # Worlds and desks one after the other, each until its moves have ended. Returns what is wrong: [sentence].
  def call
    found = []
    found += season until total >= @wanted
    found
  end

  def total = @kills.values.sum

  private

  def season
    folder do
      start_world
      nil while total < @wanted && live_and_die
      live_on
      problems
    end
  ensure
    end_world
  end

  def folder
    @folder = Dir.mktmpdir("steady-move-torture", File.writable?("/dev/shm") ? "/dev/shm" : nil)
    FileUtils.mkdir_p(@world_folder = File.join(@folder, "world"))
    yield
  ensure
    FileUtils.rm_rf(@folder)
  end

  # One that dies at one of its next acts, or lives on.
  def start_world(acts = @random.rand(2..40))
    begin_world { arm(Practice::Epp::Service, :call, Fuse.new(acts)) if acts }
  end

  # Before and after every call of a method.
  def arm(place, method, fuse)
    place.prepend(Module.new do
      define_method(method) do |*words, **more, &block|
        fuse.burn
        super(*words, **more, &block).tap { fuse.burn }
      end
    end)
  end

  # One desk until its end, with a world that is begun anew whenever it dies. Was the desk killed?
  def live_and_die
    @rounds += 1
    acts = @random.rand(2..80)
    seed = @random.rand(2**31)
    pid = fork { child(acts, seed) }
    killed = attend(pid)
    @kills["desk"] += 1 if killed
    @out&.puts "round #{@rounds}: #{killed ? 'the desk was killed' : 'the desk lived'}; #{@kills}"
    killed
  end

  # The last round: nobody is killed, all moves come to their end.
  def live_on
    end_world
    start_world(nil)
    pid = fork { child(nil, 1) }
    Process.wait(pid)
    raise "the last desk failed: #{File.read(File.join(@folder, 'said'))}" unless $CHILD_STATUS.success?
  end

  # Waits for the desk; begins the world anew meanwhile. Was the desk killed?
  def attend(desk)
    loop do
      pid = Process.wait
      if pid == @world_pid
        @kills["world"] += 1
        start_world
      elsif pid == desk
        raise "a desk failed: #{File.read(File.join(@folder, 'said'))}" if $CHILD_STATUS.exitstatus == 1

        return $CHILD_STATUS.signaled?
      end
    end
  end

  # Never returns.
  def child(acts, seed)
    live(acts, Random.new(seed))
    exit!(0)
  rescue Exception => e # rubocop:disable Lint/RescueException -- the child must never go on as its parent
    File.write(File.join(@folder, "said"), e.full_message(highlight: false))
    exit!(1)
  end

  def live(acts, random)
    desk = again { open_desk }
    arm_desk(Fuse.new(acts)) if acts
    again { begin_moves(desk.app) }
    orders = SteadyMove::Desk::Orders.new(desk.app)
    STEPS.times do
      open = desk.app.moves.all.select(&:open)
      return if open.empty?

      again { person(desk.app, orders, open, random) }
      again { desk.driver.move_on }
    end
    raise "moves did not end: #{desk.app.moves.all.select(&:open).map(&:name)}" if acts.nil?
  end

  def arm_desk(fuse)
    arm(SteadyMove::Store::Journal, :add, fuse)
    arm(SteadyMove::Wire::Epp::Framing.singleton_class, :write, fuse)
  end

  # What the practice world doesn't answer while it is begun anew is asked once more.
  def again
    yield
  rescue Practice::DeskSide::Link::Away, SteadyMove::Wire::Error, Errno::ENOENT, JSON::ParserError
    IO.select(nil, nil, nil, 0.05)
    retry
  end

  # Some moves for whatever names can be moved.
  def begin_moves(app)
    planning = SteadyMove::Desk::Planning.new(app)
    app.names.all.map { |row| row[:name] }.sort.each do |name|
      break if app.moves.all.size >= DESK[:moves]
      next if app.moves.of_name(name).any?

      planning.start(name, to: DESK[:to], host: DESK[:host], by: "ada")
    rescue SteadyMove::Desk::Refused
      next
    end
  end

  # Approves what waits for it; calls a move off now and then.
  def person(app, orders, open, random)
    open.each do |move|
      orders.approve(move.id, by: "ada") if move.state["release"]&.active? && !move.state.approved?
      orders.call_off(move.id, by: "ada") if random.rand(60).zero?
    rescue SteadyMove::Desk::Refused
      next
    end
    app
  end

  # The registry's log against the journal.
  def problems
    desk = open_desk
    log = desk.link.log.select { |l| l["command"] =~ ACTING && l["code"] < 2000 && l["key"].to_s.start_with?("sm-") }
    intended = desk.app.moves.all.flat_map(&:events).select { |e| e.type == "intended" }.map { |e| e.data["key"] }
    found = twice(log) + unwritten(log, intended)
    found += SteadyMove::Desk::Verification.new(desk.app.db, desk.app.safe).problems
    found + desk.app.moves.all.select(&:open).map { |m| "#{m.name} did not come to its end" }
  ensure
    desk&.app&.close
  end

  # One act of one step, done more than once at the registry.
  def twice(log)
    acts = log.map do |l|
      [l["registrar"], l["name"], l["command"], l["key"][/\Asm-\d+-(.+)-\d+\z/, 1], l["key"][/\d+/]]
    end
    acts.tally.select { |act, count| count > 1 && act[2].start_with?("transfer") }
      .map { |act, count| "#{act.first(4).join(' ')} was done #{count} times" }
  end

  def unwritten(log, intended)
    log.reject { |l| intended.include?(l["key"]) }.map { |l| "#{l['name']} #{l['command']} was never written down" }
  end
end
