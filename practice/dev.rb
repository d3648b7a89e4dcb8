# frozen_string_literal: true

# For whoever changes the code: the practice world, a desk that starts anew when Ruby code, rules or
# words change, and Vite serving the pages with reload. Usage: bin/dev [--port PORT] [--desk-port
# PORT] [--data FOLDER]
require_relative "children"
require "optparse"
require "fileutils"

ROOT = File.expand_path("..", __dir__)
options = { port: 7470, desk: 7471, data: File.join(ROOT, "var", "dev") }
OptionParser
  .new do |o|
    o.banner = "Usage: bin/dev [--port PORT] [--desk-port PORT] [--data FOLDER]"
    o.on("--port PORT", Integer, "where the pages are (7470)") { |v| options[:port] = v }
    o.on("--desk-port PORT", Integer, "where the desk listens (7471)") { |v| options[:desk] = v }
    o.on("--data FOLDER", "where both keep their data (var/dev)") do |v|
      options[:data] = File.expand_path(v)
    end
  end
  .parse!

WATCHED = File.join(ROOT, "{lib,config,practice}", "**", "*.{rb,yml}")
# When what the desk is made of was last changed.
changed = -> { Dir[WATCHED].map { |f| File.mtime(f) }.max }

world, desk =
  %w[world desk].map { |part| File.join(options[:data], part).tap { |f| FileUtils.mkdir_p(f) } }
children = Practice::Children.new
serve =
  lambda do
    children.start(
      "the desk",
      File.join(__dir__, "web.rb"),
      "--world",
      world,
      "--data",
      desk,
      "--port",
      options[:desk].to_s
    )
  end

children.start("the practice world", File.join(__dir__, "main.rb"), "--data", world)
seen = changed.call
pid = serve.call
children.beside(
  "Vite",
  { "STEADY_MOVE_DESK" => "http://127.0.0.1:#{options[:desk]}" },
  "node_modules/.bin/vite",
  "--port",
  options[:port].to_s,
  chdir: File.join(ROOT, "ui")
)
puts <<~TEXT
  The pages are at    http://127.0.0.1:#{options[:port]}/
  Sign in as          ada@saltern-office.example
  with the password   harbour-light-27

  Pages reload when ui/ changes, the desk starts anew when lib/, config/ or practice/ do. Ctrl-C stops all.
TEXT
$stdout.flush

until children.stopping? || children.any_ended?
  sleep 1
  now = changed.call
  next if now == seen

  seen = now
  puts "Changed: the desk starts anew."
  children.end_one(pid)
  pid = serve.call
end
children.wait
