# frozen_string_literal: true

require "etc"
require "tmpdir"
require "rbconfig"

# Runs jobs side by side: test files, each in a process of its own that is forked from one which has
# loaded everything, and commands. Two more than there are processors, since most of them wait for
# a third of their time; of those with a browser no more than there are processors, since each is
# many processes by itself. What takes longest begins first. Of what passed a line is printed (with
# seconds, and those of a processor), of what failed the whole of what it said.
class Lanes
  Job = Struct.new(:name, :command, :file, :weight, keyword_init: true)
  Running = Struct.new(:job, :log, :began, :lane)
  # Each lane's practice worlds have ports of their own (Practice::Ports).
  PORTS = (18_000..32_000)
  # Whole lanes of work that no file's size tells of (seconds, roughly).
  WEIGHTS = { "browser" => 4, "kill_test" => 4, "service" => 4, "standards" => 2 }.freeze

  BROWSER = "browser/"
  # No file takes longer (seconds); the longest take a third of it on a slow machine.
  LONGEST = 600

  def initialize(processors: Etc.nprocessors.clamp(1, 4), out: $stdout)
    @wide = processors + 2
    @browsers = processors
    @out = out
    @jobs = []
  end

  def command(name, *words, weight: 1_000_000, **env)
    @jobs << Job.new(name: name, command: [env.transform_keys(&:to_s), *words], weight: weight)
  end

  # With a block: of these only those that it wants.
  def files(pattern, &wanted)
    found = Dir[pattern]
    found = found.select(&wanted) if wanted
    found.each do |file|
      times = WEIGHTS.find { |part, _| file.include?(part) }&.last || 1
      @jobs << Job.new(
        name: file.delete_prefix("test/").delete_suffix(".rb"),
        file: File.expand_path(file),
        weight: File.size(file) * times
      )
    end
  end

  # Returns the names of those that failed.
  def run
    left = @jobs.sort_by { |j| -j.weight }
    running = {}
    failed = []
    until left.empty? && running.empty?
      while running.size < @wide && (job = next_of(left, running))
        lane = ((0...@wide).to_a - running.values.map(&:lane)).first
        running.update(start(left.delete(job), lane))
      end
      spent = processor
      pid, status = Process.wait2
      done = running.delete(pid) or next
      failed << done.job.name unless status.success?
      tell(done, status, processor - spent)
    end
    failed
  end

  private

  def next_of(left, running)
    browsers = running.values.count { |r| browser?(r.job) }
    left.find { |job| browsers < @browsers || !browser?(job) }
  end

  def browser?(job) = job.name.start_with?(BROWSER)

  def start(job, lane)
    log = File.join(folder, job.name.tr("/", "-"))
    ENV["STEADY_MOVE_PRACTICE_PORTS"] = ports(lane)
    pid =
      job.file ? forked(job.file, log) : Process.spawn(*job.command, out: log, err: %i[child out])
    { pid => Running.new(job, log, now, lane) }
  end

  def ports(lane)
    each = PORTS.size / @wide
    first = PORTS.begin + (lane * each)
    "#{first}-#{first + each - 1}"
  end

  def forked(file, log)
    @out.flush
    fork do
      $stdout.reopen(log, "w")
      $stderr.reopen($stdout)
      $stdout.sync = true
      Minitest.after_run { Branches.leave } if defined?(Branches)
      end_after(LONGEST)
      require file # Minitest runs it when the process ends
    end
  end

  # A file that hangs is ended, and says where each of its threads stood.
  def end_after(seconds)
    Thread.new do
      sleep seconds
      puts "Not done after #{seconds} s. Its threads stand at:"
      Thread.list.each { |thread| puts thread.inspect, thread.backtrace.to_a.first(30), "" }
      exit!(1)
    end
  end

  def tell(done, status, spent)
    took = "#{(now - done.began).round} s, #{spent.round} s"
    said = File.read(done.log).scrub("?")
    counts = said[/^\d+ runs, .*/]
    @out.puts "#{status.success? ? "passed" : "FAILED"} #{done.job.name} (#{took}) #{counts}"
    @out.puts said unless status.success?
    @out.flush
  end

  def folder = @folder ||= Dir.mktmpdir("steady-move-tests")

  # Seconds that the processors gave to all children that have ended.
  def processor = Process.times.then { |t| t.cutime + t.cstime }
  def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
end
