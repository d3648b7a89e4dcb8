# frozen_string_literal: true

require "fileutils"
require "net/http"
require "socket"
require "timeout"
require "tmpdir"
require "yaml"

# A desk served in a process of its own, as bin/start does, with a manager that it tells when it is
# ready (sd_notify's datagrams) and a registrar that takes connections and never says a word.
class ServedDesk
  ROOT = SteadyMove::ROOT
  # Seconds after which a start or an end counts as hanging. It measures nothing: a busy machine
  # needs its time.
  LONG = 120

  attr_reader :folder, :pid

  def initialize(**settings)
    @folder = Dir.mktmpdir
    @settings = { "data" => "data", "port" => free_port }.merge(settings.transform_keys(&:to_s))
    File.write(file, YAML.dump(@settings))
    @socket =
      Socket.new(:UNIX, :DGRAM).tap { |s| s.bind(Addrinfo.unix(File.join(folder, "notify"))) }
  end

  def file = File.join(folder, "desk.yml")
  def data = File.join(folder, "data")
  def port = @settings["port"]
  def config = SteadyMove::Desk::Config.read(file, env: {})

  # Starts it and waits until it says that it is ready, or for its end. Returns self.
  def start(*words)
    env = {
      "NOTIFY_SOCKET" => File.join(folder, "notify"),
      "STEADY_MOVE_DATA" => nil,
      "STEADY_MOVE_PORT" => nil
    }
    @pid =
      Process.spawn(
        env,
        File.join(ROOT, "bin", "steady-move"),
        "serve",
        "--config",
        file,
        *words,
        out: said_file,
        err: %i[child out],
        umask: 0o022
      )
    @over = false
    told("READY=1")
    self
  end

  # Waits for a word to the service's manager; raises with what was said where the process ends
  # first.
  def told(word)
    Timeout.timeout(LONG) do
      loop do
        next raise("it ended: #{said}") if !@socket.wait_readable(0.2) && ended?
        if (text = @socket.recv_nonblock(1000, exception: false)).is_a?(String) &&
             text.include?(word)
          return
        end
      end
    end
  end

  def signal(name) = Process.kill(name, pid)

  # Sends a signal and waits for the end, at most so many seconds. Returns the exit status.
  def stop(name = "TERM", within: LONG)
    signal(name)
    Timeout.timeout(within) { Process.wait2(pid).last.exitstatus }.tap { @over = true }
  end

  def get(path, headers = {})
    Net::HTTP.get_response(URI("http://127.0.0.1:#{port}#{path}"), headers)
  end
  def said = File.exist?(said_file) ? File.read(said_file) : ""
  def said_file = File.join(folder, "said")

  # A desk's own command line on this configuration. Returns [what it says, exit status].
  def command(*words)
    said, status = Open3.capture2e(File.join(ROOT, "bin", "steady-move"), *words, "--config", file)
    [said, status.exitstatus]
  end

  # Fills the data folder before the desk is started: the block gets the App.
  def prepare
    app = SteadyMove::Desk::App.new(config, clock: SteadyMove::Desk::SystemClock.new)
    yield app
  ensure
    app&.close
  end

  def close
    if @pid && !@over
      Process.kill("KILL", @pid)
      Process.wait(@pid)
    end
    @socket.close
    FileUtils.rm_rf(folder)
  rescue Errno::ESRCH, Errno::ECHILD
    FileUtils.rm_rf(folder)
  end

  private

  def free_port = TCPServer.open("127.0.0.1", 0) { |s| s.addr[1] }

  def ended? = @over || (@over = !Process.wait(@pid, Process::WNOHANG).nil?)
end
