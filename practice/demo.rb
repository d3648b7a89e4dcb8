# frozen_string_literal: true

# Starts the practice world and the desk, prints address and sign-in, and stops both on Ctrl-C.
require "optparse"
require "fileutils"
require "socket"
require "rbconfig"

ROOT = File.expand_path("..", __dir__)
options = { port: 7460, data: File.join(ROOT, "var", "demo"), rate: 1 }
OptionParser.new do |o|
  o.banner = "Usage: bin/demo [--port PORT] [--data FOLDER] [--fresh]"
  o.on("--port PORT", Integer, "where the desk listens (7460)") { |v| options[:port] = v }
  o.on("--data FOLDER", "where both keep their data (var/demo)") { |v| options[:data] = File.expand_path(v) }
  o.on("--fresh", "begin anew: what an earlier demo left is removed") { options[:fresh] = true }
  o.on("--rate RATE", Integer, "how fast the practice clock runs by itself (1; 0 stands)") { |v| options[:rate] = v }
end.parse!
abort "Steady Move can't start: bin/demo takes no words, only options (see --help)" unless ARGV.empty?

world = File.join(options[:data], "world")
desk = File.join(options[:data], "desk")
begin
  [world, desk].each { |f| FileUtils.rm_rf(f) } if options[:fresh]
  FileUtils.mkdir_p([world, desk])
  abort "Steady Move can't start: the data folder #{options[:data]} can't be written" unless [world, desk].all? do |f|
    File.writable?(f)
  end
  TCPServer.open("127.0.0.1", options[:port]).close
rescue Errno::EADDRINUSE
  abort "Steady Move can't start: port #{options[:port]} is in use by another program; choose one with --port"
rescue SystemCallError => e
  abort "Steady Move can't start: the data folder #{options[:data]} can't be used (#{e.message[/\A[^@]+/].strip})"
end

children = {}
stopping = false
stop_all = lambda do
  stopping = true
  children.each_key do |pid|
    Process.kill("TERM", pid)
  rescue Errno::ESRCH
    nil
  end
end
%w[INT TERM HUP].each { |s| trap(s) { stop_all.call } }

# Starts one of the two and waits for its word; its errors go to our own standard error.
start = lambda do |what, *words|
  reader, writer = IO.pipe
  pid = Process.spawn(RbConfig.ruby, *words, out: writer, pgroup: true, in: File::NULL)
  writer.close
  children[pid] = what
  next if reader.gets&.start_with?("ready") || stopping

  stop_all.call
  exit 1
end

start.call("the practice world", File.join(__dir__, "main.rb"), "--data", world, "--rate", options[:rate].to_s)
start.call("the desk", File.join(__dir__, "web.rb"), "--world", world, "--data", desk, "--port", options[:port].to_s)

unless stopping
  puts <<~TEXT
    Steady Move is at   http://127.0.0.1:#{options[:port]}/
    Sign in as          ada@saltern-office.example
    with the password   harbour-light-27

    Everything outside is played by a practice world on this machine. Ctrl-C stops both.
  TEXT
  $stdout.flush
end

until children.empty?
  pid, status = Process.wait2
  what = children.delete(pid)
  warn "Steady Move: #{what} has ended (#{status.to_s[/(exit|SIG).*/]}); the rest is stopped." unless stopping
  stop_all.call unless stopping
end
