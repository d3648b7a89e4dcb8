# frozen_string_literal: true

require "socket"
require "tmpdir"
require "fileutils"

# Debian's NSD on loopback: an authoritative server that takes zone files alone, as ordinary DNS
# hosts do.
class Nsd
  attr_reader :port

  # zones: {name => text}
  def initialize(zones)
    @folder = Dir.mktmpdir("nsd")
    zones.each { |origin, text| File.write(File.join(@folder, "#{origin}.zone"), text) }
    5.times { return if start(zones.keys) }
    raise "nsd did not start: #{File.read(log)}"
  end

  def stop
    Process.kill("TERM", @pid) && Process.wait(@pid)
    FileUtils.rm_rf(@folder)
  end

  private

  def log = File.join(@folder, "log")

  def served(origin) = "zone:\n  name: \"#{origin}\"\n  zonefile: \"#{origin}.zone\"\n"

  def settings
    files =
      %w[pidfile xfrdfile zonelistfile database].map do |f|
        "#{f}: \"#{"#{@folder}/#{f}" unless f == "database"}\""
      end
    <<~CONF
      server:
        ip-address: 127.0.0.1@#{@port}
        server-count: 1
        username: ""
        zonesdir: "#{@folder}"
        xfrdir: "#{@folder}"
        #{files.join("\n  ")}
      remote-control:
        control-enable: no
    CONF
  end

  # Another process may take a port that was free a moment ago; then it doesn't start.
  def start(names)
    @port = TCPServer.open("127.0.0.1", 0) { |s| s.addr[1] }
    File.write(
      conf = File.join(@folder, "nsd.conf"),
      settings + names.map { |origin| served(origin) }.join
    )
    @pid = Process.spawn("/usr/sbin/nsd", "-d", "-c", conf, %i[out err] => log)
    200.times do
      return true if File.read(log).include?("nsd started")
      return false if Process.wait(@pid, Process::WNOHANG)

      IO.select(nil, nil, nil, 0.05)
    end
    false
  end
end
