# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/served_desk"
require "json"
require "open3"

# What an operator is given, held against the programs that it is for: systemd-analyze, nginx,
# logrotate; and a release archive on a machine that has neither node nor a compiler nor a locale.
class OperatorsPapersTest < Minitest::Test
  ROOT = SteadyMove::ROOT
  PLACE = File.join(ROOT, "docs", "running")

  def teardown = @desk&.close

  def outside(*command, **how)
    said, status = Open3.capture2e(*command, **how)
    [said, status.exitstatus]
  end

  # Source: systemd-analyze verify and security. The paths of the units are put where the program is
  # here.
  def test_the_units_are_what_systemd_takes
    Dir.mktmpdir do |folder|
      Dir[File.join(PLACE, "*.{service,timer}")].each do |file|
        File.write(
          File.join(folder, File.basename(file)),
          File.read(file).gsub("/opt/steady-move/bin", "#{ROOT}/bin")
        )
      end
      said, status = outside("systemd-analyze", "verify", *Dir[File.join(folder, "*")])
      assert_equal ["", 0], [said, status]
      said, =
        outside(
          "systemd-analyze",
          "security",
          "--offline=true",
          File.join(folder, "steady-move.service")
        )
      assert_operator said[/exposure level for \S+: ([\d.]+)/, 1].to_f, :<, 2.5, said.lines.last
    end
  end

  # Source: logrotate -d.
  def test_the_logs_are_turned_over
    Dir.mktmpdir do |folder|
      text = File.read(File.join(PLACE, "logrotate.conf")).gsub("/var/lib/steady-move", folder)
      text = text.sub("su steady-move steady-move", "su root root")
      File.write(file = File.join(folder, "conf"), text, perm: 0o644)
      said, status = outside("/usr/sbin/logrotate", "-d", "-s", File.join(folder, "state"), file)
      assert_equal 0, status, said
      refute_match(/error/i, said)
    end
  end

  EMAIL = "ada@saltern-office.example"

  # nginx with the sample, its names and ports put where they are here.
  def behind_nginx(folder)
    port = TCPServer.open("127.0.0.1", 0) { |s| s.addr[1] }
    File.write(conf = File.join(folder, "nginx.conf"), nginx_conf(folder, port))
    pid =
      Process.spawn(
        "/usr/sbin/nginx",
        "-p",
        folder,
        "-c",
        conf,
        "-g",
        "daemon off;",
        err: File.join(folder, "said")
      )
    Timeout.timeout(10) do
      TCPSocket.new("127.0.0.1", port).close
    rescue Errno::ECONNREFUSED
      retry
    end
    yield port
  ensure
    pid && Process.kill("TERM", pid) && Process.wait(pid)
  end

  def nginx_conf(folder, port)
    site = File.read(File.join(PLACE, "nginx.conf")).split(/^server \{/)[1]
    site =
      site.gsub(/^\s*listen \[.*\n|^\s*ssl_.*\n/, "").sub(
        "listen 443 ssl http2",
        "listen 127.0.0.1:#{port}"
      )
    site = site.gsub("127.0.0.1:7460", "127.0.0.1:#{@desk.port}")
    temps =
      %w[client_body proxy fastcgi uwsgi scgi]
        .map { |t| "#{t}_temp_path #{folder}/#{t};" }
        .join(" ")
    "pid #{folder}/pid; error_log #{folder}/error.log;\nevents {}\nhttp { access_log off; #{temps}\nserver {#{site}\n}"
  end

  # Through the proxy: the page, who asked, and the event stream as it comes.
  def test_behind_nginx
    @desk = ServedDesk.new
    @desk.prepare do |app|
      SteadyMove::Desk::People::Directory.new(app).put(EMAIL, "harbour-light-27", role: "viewer")
    end
    @desk.start
    Dir.mktmpdir do |folder|
      File.chmod(0o755, folder)
      behind_nginx(folder) do |port|
        Net::HTTP.start("127.0.0.1", port) do |http|
          cookie = sign_in(http)
          assert_includes http.get("/names").body, "<title>Steady Move</title>"
          assert_includes stream(port, cookie), "retry:"
        end
      end
    end
    lines = File.readlines(File.join(@desk.data, "web.log")).map { |l| JSON.parse(l) }
    assert(
      lines.any? do |l|
        l["event"] == "sign-in" && l["person"] == EMAIL && l["client"] == "203.0.113.7"
      end
    )
  end

  # What the event stream says at once.
  def stream(port, cookie)
    TCPSocket.open("127.0.0.1", port) do |socket|
      socket.write("GET /api/events HTTP/1.1\r\nHost: desk.example\r\nCookie: #{cookie}\r\n\r\n")
      said = +""
      Timeout.timeout(5) { said << socket.readpartial(4000) until said.include?("retry:") }
      said
    end
  end

  def sign_in(http)
    first = http.get("/api/session")
    cookie = first["set-cookie"][/\A[^;]+/]
    headers = {
      "Cookie" => cookie,
      "X-CSRF-Token" => JSON.parse(first.body)["csrf"],
      "Content-Type" => "application/json",
      "X-Forwarded-For" => "198.51.100.1, 203.0.113.7"
    }
    body = JSON.generate(email: EMAIL, password: "harbour-light-27")
    Net::HTTP.start("127.0.0.1", @desk.port) do |direct|
      answer = direct.post("/api/sign-in", body, headers)
      assert_equal "200", answer.code, answer.body
      answer.get_fields("set-cookie").map { |c| c[/\A[^;]+/] }.join("; ")
    end
  end

  TOOLS = %w[ruby bundle env bash sed dirname df].freeze

  def test_a_release_needs_neither_node_nor_a_compiler_nor_a_locale
    Dir.mktmpdir do |folder|
      said, status = outside(File.join(ROOT, "bin", "release"), folder)
      assert_equal 0, status, said
      archive = Dir[File.join(folder, "*.tar.gz")].first
      assert_includes File.read("#{archive}.sha256"), Digest::SHA256.file(archive).hexdigest
      outside("tar", "xzf", archive, "-C", folder)
      root = archive.delete_suffix(".tar.gz")
      FileUtils.mkdir(bare = File.join(folder, "bare"))
      TOOLS.each { |t| File.symlink(File.realpath(`which #{t}`.strip), File.join(bare, t)) }
      env = { "PATH" => bare, "HOME" => "/nonexistent" }
      said, = outside(env, File.join(root, "bin", "start"), "--version", unsetenv_others: true)
      assert_includes said, SteadyMove::VERSION
      said, status =
        outside(
          env,
          File.join(root, "bin", "steady-move"),
          "codes",
          "-",
          unsetenv_others: true,
          stdin_data: "fähre-saltern.example,Ab3dEf\n"
        )
      assert_equal [0, "Ab3dEf"], [status, JSON.parse(said)["code"]], said
      refute_path_exists File.join(
                           root,
                           "vendor",
                           "bundle",
                           "ruby",
                           "3.1.0",
                           "gems",
                           "rubocop-1.92.2"
                         )
      File.write(File.join(root, "RELEASE"), "0\n2.7.0 elsewhere\n")
      said, status = outside(env, File.join(root, "bin", "start"), unsetenv_others: true)
      assert_equal [1, true], [status, said.include?("made for Ruby 2.7.0")], said
    end
  end

  def test_the_licences_are_those_of_what_is_there
    alone = %w[RUBYOPT RUBYLIB BUNDLE_GEMFILE BUNDLE_BIN_PATH].to_h { |v| [v, nil] }
    said, status = outside(alone, File.join(ROOT, "bin", "licences"), "--check")
    assert_equal 0, status, said
    assert_operator File.read(File.join(ROOT, "public", "licences.txt")).scan("MIT License").size,
                    :>,
                    15
  end
end
