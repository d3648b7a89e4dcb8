# frozen_string_literal: true

require "socket"
require "tmpdir"
require "fileutils"

# Debian's BIND on loopback, authoritative for one zone that a key hands over and updates.
class Named
  KEY = { name: "harbour", secret: "aGFyYm91ci1zZWNyZXQtMDAwMQ==" }.freeze
  PLAIN = <<~TEXT
    $TTL 600
    @ IN SOA ns1 hostmaster 7 7200 3600 1209600 900
    @ NS ns1
    ns1 A 192.0.2.53
    www A 192.0.2.1
    @ MX 10 mail
    mail A 192.0.2.25
  TEXT

  attr_reader :port

  # origin: the zone's name; zone: its text; algorithm: of its key; signed: nil, nsec or nsec3, by
  # dnssec-signzone.
  def initialize(origin, zone: PLAIN, algorithm: "hmac-sha256", signed: nil)
    @algorithm = algorithm
    @folder = Dir.mktmpdir("named")
    File.write(File.join(@folder, "a.zone"), zone)
    sign(origin, signed) if signed
    start(origin)
  end

  def stop
    Process.kill("TERM", @pid) && Process.wait(@pid)
    FileUtils.rm_rf(@folder)
  end

  private

  # Another process may take a port that was free a moment ago; then once more with another.
  def start(origin)
    5.times do
      @port = TCPServer.open("127.0.0.1", 0) { |s| s.addr[1] }
      File.write(File.join(@folder, "named.conf"), settings(origin))
      @pid =
        Process.spawn(
          "/usr/sbin/named",
          "-g",
          "-n",
          "1",
          "-c",
          File.join(@folder, "named.conf"),
          %i[out err] => log
        )
      wait
      return unless File.read(log).match?(/address in use|not listening on any/)

      Process.kill("TERM", @pid) && Process.wait(@pid)
    end
    raise "named found no port"
  end

  def sign(origin, how)
    tools = { :chdir => @folder, %i[out err] => File::NULL }
    system("dnssec-keygen", "-a", "ED25519", "-f", "KSK", origin, **tools)
    system("dnssec-keygen", "-a", "ED25519", origin, **tools)
    system(
      "dnssec-signzone",
      "-S",
      "-o",
      origin,
      *(how == :nsec3 ? %w[-3 ab12] : []),
      "-f",
      "signed",
      "a.zone",
      **tools
    )
    FileUtils.mv(File.join(@folder, "signed"), File.join(@folder, "a.zone"))
  end

  def log = File.join(@folder, "log")

  def settings(origin)
    <<~CONF
      key harbour { algorithm #{@algorithm}; secret "#{KEY[:secret]}"; };
      options { directory "#{@folder}"; listen-on port #{port} { 127.0.0.1; }; listen-on-v6 { none; };
                recursion no; pid-file none;
                allow-transfer { key harbour; }; dnssec-validation no; session-keyfile "#{@folder}/session.key"; };
      controls { };
      zone "#{origin}" { type primary; file "a.zone"; allow-update { key harbour; }; };
    CONF
  end

  # Until it answers, by TCP as well; a few hundred tries.
  def wait
    400.times do
      return if File.read(log).match?(/address in use|not listening on any/)
      return if File.read(log).include?("running") && listens?

      IO.select(nil, nil, nil, 0.05)
    end
    raise "named did not start: #{File.read(log)}"
  end

  def listens?
    TCPSocket.new("127.0.0.1", @port).close.nil?
  rescue SystemCallError
    false
  end
end
