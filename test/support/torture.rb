# frozen_string_literal: true

require_relative "mortal_world"
require_relative "torture_people"

# Kills the desk and the practice world again and again, each at a random one of its own acts, while
# work of every kind runs and is called off: moves over a connection, by hand and by letter, a
# preparation, DNS alone, a batch. Then the registry's log is held against the journal, and the
# journal against what was acknowledged to people. Seeded: no clock decides where a kill falls.
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
  # A round that ends nothing more ends itself; the last one, in which nobody is killed, has to end
  # it all.
  STEPS = 400
  LAST_STEPS = 3000
  # From here on the people of the last round call off what still runs.
  PATIENCE = 1500

  # acknowledged: how often which act was; endings: how often which end of a move came.
  attr_reader :kills, :rounds, :acknowledged, :endings

  # kills: how many are wanted; random: Random; out: where rounds are told.
  def initialize(kills, random, out: nil)
    @wanted = kills
    @random = random
    @out = out
    @kills = { "desk" => 0, "world" => 0 }
    @rounds = 0
    @acknowledged = Hash.new(0)
    @endings = Hash.new(0)
  end

  # Worlds and desks one after the other, each until its moves have ended. Returns what is wrong:
  # [sentence].
  def call
    found = []
    found += season until total >= @wanted
    found
  end

  def total = @kills.values.sum

  private

  def season
    folder do
      start_world(nil)
      open_desk.app.close # the accounts and names of the scenario, before anybody dies
      end_world
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
    begin_world { arm_world(Fuse.new(acts)) if acts }
  end

  # Before and after every call of a method.
  def arm(place, method, fuse)
    place.prepend(
      Module.new do
        define_method(method) do |*words, **more, &block|
          fuse.burn
          super(*words, **more, &block).tap { fuse.burn }
        end
      end
    )
  end

  # One desk until its end, with a world that is begun anew whenever it dies. Was the desk killed?
  def live_and_die
    @rounds += 1
    acts = @random.rand(2..80)
    seed = @random.rand(2**31)
    pid = fork { child(acts, seed) }
    killed = attend(pid)
    @kills["desk"] += 1 if killed
    @out&.puts "round #{@rounds}: #{killed ? "the desk was killed" : "the desk lived"}; #{@kills}"
    killed
  end

  # The last round: nobody is killed, all moves come to their end.
  def live_on
    end_world
    start_world(nil)
    pid = fork { child(nil, 1) }
    Process.wait(pid)
    unless $CHILD_STATUS.success?
      raise "the last desk failed: #{File.read(File.join(@folder, "said"))}"
    end
  end

  # Waits for the desk; begins the world anew meanwhile. Was the desk killed?
  def attend(desk)
    loop do
      pid = Process.wait
      if pid == @world_pid
        @kills["world"] += 1
        start_world
      elsif pid == desk
        if $CHILD_STATUS.exitstatus == 1
          raise "a desk failed: #{File.read(File.join(@folder, "said"))}"
        end

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
    people = people(desk.app, random)
    again { people.begin_all }
    (acts ? STEPS : LAST_STEPS).times do |step|
      break if over?(desk.app)

      again { people.begin_all } if (step % 20).zero?
      people = people(desk.app, random, calls_off: 3) if acts.nil? && step == PATIENCE
      again { people.act }
      again { desk.driver.move_on }
    end
    raise "moves did not end: #{standing(desk.app)}" if acts.nil? && !over?(desk.app)
  end

  def people(app, random, **more)
    TorturePeople.new(app, scenario, said: said, random: random, **more)
  end
  def scenario = @scenario ||= Practice::Scenario.demo(names_at: %w[tarnbeck millrace cobble])
  def said = File.join(@folder, "acknowledged")
  def over?(app) = app.moves.open.empty? && !app.batches.running?

  def standing(app)
    moves =
      app.moves.open.map do |m|
        [m.name, m.state.active.map { |s| [s.step.id, s.turn, s.says.to_s] }]
      end
    [
      *moves,
      *app.batches.running.map { |b| app.batches.members(b.id).select(&:waiting?).map(&:to_h) }
    ].inspect
  end

  # Before and after each act of the registry, each letter that is taken in, each change of a zone.
  def arm_world(fuse)
    arm(Practice::Epp::Service, :call, fuse)
    arm(Practice::World, :receive, fuse)
    arm(Practice::Dns::Host, :save, fuse)
  end

  def arm_desk(fuse)
    arm(SteadyMove::Store::Journal, :add, fuse)
    arm(SteadyMove::Wire::Epp::Framing.singleton_class, :write, fuse)
    arm(SteadyMove::Wire::Mail::Sender, :deliver, fuse)
    arm(SteadyMove::Wire::Dns::Client, :update, fuse)
  end

  # What the practice world doesn't answer while it is begun anew is asked once more.
  def again
    yield
  rescue Practice::DeskSide::Link::Away,
         SteadyMove::Wire::Error,
         SystemCallError,
         IOError,
         JSON::ParserError
    IO.select(nil, nil, nil, 0.05)
    retry
  end

  # The registry's log against the journal.
  def problems
    desk = open_desk
    log =
      desk.link.log.select do |l|
        l["command"] =~ ACTING && l["code"] < 2000 && l["key"].to_s.start_with?("sm-")
      end
    TorturePeople.acknowledged(said).each { |what,| @acknowledged[what] += 1 }
    desk.app.moves.all.each { |m| @endings[m.state.ending || "under way"] += 1 }
    events = desk.app.moves.all.flat_map(&:events)
    intended = events.select { |e| e.type == "intended" }.map { |e| e.data["key"] }
    found = twice(log, events) + unwritten(log, intended) + forgotten(desk.app, events)
    found += SteadyMove::Desk::Verification.new(desk.app.db, desk.app.safe).problems
    found + desk.app.moves.all.select(&:open).map { |m| "#{m.name} did not come to its end" }
  ensure
    desk&.app&.close
  end

  # One act of one step, done more than once at the registry. A step that was begun anew on purpose
  # has a journal entry of its own for it.
  def twice(log, events)
    acts =
      log.map do |l|
        [l["registrar"], l["name"], l["command"], *l["key"].match(/\Asm-(\d+)-(.+)-\d+\z/).captures]
      end
    acts.tally.filter_map do |act, count|
      anew =
        events.count { |e| e.type == "reopened" && e.move_id.to_s == act[3] && e.step == act[4] }
      "#{act.join(" ")} was done #{count} times" if count > 1 + anew
    end
  end

  # What was acknowledged to somebody and is not there.
  def forgotten(app, events)
    TorturePeople
      .acknowledged(said)
      .reject do |what, id, step|
        case what
        when "letter"
          app.letters.find(id)
        when "batch"
          app.batches.find(id)&.then { |b| b.state != "draft" }
        else
          events.any? { |e| e.type == what && e.move_id == id && (step.nil? || e.step == step) }
        end
      end
      .map { |act| "#{act.compact.join(" ")} was acknowledged and is not in the journal" }
  end

  def unwritten(log, intended)
    log
      .reject { |l| intended.include?(l["key"]) }
      .map { |l| "#{l["name"]} #{l["command"]} was never written down" }
  end
end
