# frozen_string_literal: true

# The demo's web process: a desk beside the practice world. Started by practice/demo.rb.
require_relative "practice"
require "optparse"

options = {}
OptionParser
  .new do |o|
    o.on("--world FOLDER") { |v| options[:world] = v }
    o.on("--data FOLDER") { |v| options[:data] = v }
    o.on("--port PORT", Integer) { |v| options[:port] = v }
    o.on("--opening") { options[:opening] = true }
  end
  .parse!

begin
  File.umask(0o077)
  endpoints = JSON.parse(File.read(File.join(options.fetch(:world), "endpoints.json")))
  lock =
    SteadyMove::Desk::Lock.take(SteadyMove::Desk::Config.new({ "data" => options.fetch(:data) }))
  open_desk =
    lambda do |watch|
      Practice::DeskSide::Desk.new(
        endpoints,
        data: options.fetch(:data),
        port: options.fetch(:port),
        watch: watch
      )
    end
  if options[:opening] # names are not looked at again on the way, only once at its end: that takes a third of the time
    desk = open_desk.(false)
    desk.live_through_the_week
    desk.app.close
  end
  desk = open_desk.(true)
  log = SteadyMove::Web::Log.open(File.join(options[:data], "web.log"))
  application = desk.application(log: log)
  server = SteadyMove::Web::Serve.start(application, port: options[:port])
rescue SteadyMove::Web::Serve::PortTaken,
       SteadyMove::Store::Database::Unusable,
       SteadyMove::Desk::Refused => e
  abort "Steady Move can't start: #{e.message}"
end

$stdout.sync = true
puts "ready"
stop = Queue.new
%w[INT TERM].each { |s| trap(s) { stop << s } }
stop.pop
application.stop
server.stop(true)
desk.app.close
lock.release
