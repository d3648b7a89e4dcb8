# frozen_string_literal: true

# Starts the practice world and the desk, prints address and sign-in, and stops both on Ctrl-C.
require "optparse"
require "fileutils"
require "socket"
require_relative "children"

ROOT = File.expand_path("..", __dir__)
options = { port: 7460, data: File.join(ROOT, "var", "demo"), rate: 1, week: true }
OptionParser
  .new do |o|
    o.banner = "Usage: bin/demo [--port PORT] [--data FOLDER] [--fresh]"
    o.on("--port PORT", Integer, "where the desk listens (7460)") { |v| options[:port] = v }
    o.on("--data FOLDER", "where both keep their data (var/demo)") do |v|
      options[:data] = File.expand_path(v)
    end
    o.on("--fresh", "begin anew: what an earlier demo left is removed") { options[:fresh] = true }
    o.on("--empty", "begin with nothing under way") { options[:week] = false }
    o.on("--rate RATE", Integer, "how fast the practice clock runs by itself (1; 0 stands)") do |v|
      options[:rate] = v
    end
  end
  .parse!
unless ARGV.empty?
  abort "Steady Move can't start: bin/demo takes no words, only options (see --help)"
end

world = File.join(options[:data], "world")
desk = File.join(options[:data], "desk")
# Stands while the week before the demo's day is lived through, with whose process does it: what was
# cut off there begins anew.
unfinished = File.join(options[:data], "unfinished")
begin
  if File.exist?(unfinished) && File.exist?("/proc/#{File.read(unfinished).to_i}")
    abort "Steady Move can't start: another bin/demo is opening in #{options[:data]}; choose a " \
            "folder with --data"
  end
  [world, desk].each { |f| FileUtils.rm_rf(f) } if options[:fresh] || File.exist?(unfinished)
  opening = options[:week] && !Dir.exist?(desk)
  FileUtils.mkdir_p([world, desk])
  unless [world, desk].all? { |f| File.writable?(f) }
    abort "Steady Move can't start: the data folder #{options[:data]} can't be written"
  end
  File.write(unfinished, Process.pid) if opening
  TCPServer.open("127.0.0.1", options[:port]).close
rescue Errno::EADDRINUSE
  abort "Steady Move can't start: port #{options[:port]} is in use by another program; choose " \
          "one with --port"
rescue SystemCallError => e
  abort "Steady Move can't start: the data folder #{options[:data]} can't be used (" \
          "#{e.message[/\A[^@]+/].strip})"
end

children = Practice::Children.new
children.start(
  "the practice world",
  File.join(__dir__, "main.rb"),
  "--data",
  world,
  "--rate",
  options[:rate].to_s
)
if opening
  puts "Living through the week before, once: about half a minute"
  $stdout.flush
end
children.start(
  "the desk",
  File.join(__dir__, "web.rb"),
  "--world",
  world,
  "--data",
  desk,
  "--port",
  options[:port].to_s,
  *("--opening" if opening)
)
FileUtils.rm_f(unfinished) unless children.stopping?

unless children.stopping?
  puts <<~TEXT
    Steady Move is at   http://127.0.0.1:#{options[:port]}/
    Sign in as          ada@saltern-office.example
    with the password   harbour-light-27

    Everything outside is played by a practice world on this machine. Ctrl-C stops both.
  TEXT
  $stdout.flush
end

children.wait
