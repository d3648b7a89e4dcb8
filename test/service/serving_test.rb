# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/served_desk"
require_relative "../support/command_line"
require "json"
require "open3"

# The desk as a service, in a process of its own: how it starts, says that it lives, opens its log
# anew and ends.
class ServingTest < Minitest::Test
  include CommandLine

  def desk(**settings)
    ServedDesk.new(**settings).tap { |served| (@desks ||= []) << served }
  end

  def teardown = @desks&.each(&:close)
  def log(served) = File.readlines(File.join(served.data, "web.log")).map { |l| JSON.parse(l) }

  # An account whose server takes every connection and never says a word.
  def mute(served)
    server = TCPServer.open("127.0.0.1", 0)
    served.prepare do |app|
      connection = { "host" => "127.0.0.1", "port" => server.addr[1], "login" => "x" }
      app.accounts.put(
        SteadyMove::Core::Accounts::Account.new(
          id: "mute",
          title: "Mute Names",
          registrar: "Mute",
          kind: "epp",
          connection: connection,
          habits: {
          },
          prices: {
          },
          sender_domains: [],
          secret: "tell-nobody"
        )
      )
    end
    yield server
  ensure
    server&.close
  end

  def test_it_ends_within_ten_seconds_though_a_registrar_says_nothing
    served = desk(timeout: 300)
    mute(served) do |server|
      served.start
      Timeout.timeout(ServedDesk::LONG) { server.accept }
      assert_equal 0, served.stop("TERM", within: 60)
    end
    assert_equal 0, served.start.stop("INT", within: 60), "and starts again on the same folder"
  end

  def test_the_log_is_opened_anew_and_everything_goes_on
    served = desk.start
    assert_equal "200", served.get("/healthz").code
    File.rename(old = File.join(served.data, "web.log"), "#{old}.1")
    served.signal("HUP")
    Timeout.timeout(ServedDesk::LONG) { served.get("/healthz") until File.exist?(old) }
    assert(log(served).all? { |l| l["id"] && l["client"] == "127.0.0.1" && l["level"] == "info" })
    assert_match(/\Aready$/, served.get("/readyz").body)
    assert_equal "600", File.stat(old).mode.to_s(8)[-3..]
    served.signal("TERM")
    served.told("STOPPING=1")
  end

  def test_a_second_desk_on_a_folder_and_commands_beside_a_running_one
    served = desk.start
    other = desk(data: served.data)
    refused = assert_raises(RuntimeError) { other.start }
    assert_match(
      /Steady Move: .* in use by another desk \(process #{served.pid}\)/,
      refused.message
    )
    assert_equal 1, refused.message.lines.size
    said, status = served.command("backup", File.join(served.folder, "b.zip"))
    assert_equal [true, 0], [said.start_with?("The backup"), status]
    assert_includes served.command("change-key").first, "in use by another desk"
  end

  # what is done to the data folder => the one line that the start says
  DAMAGES = {
    ->(d) { File.delete(File.join(d, "steady-move.key")) } => "is missing, but the database holds",
    ->(d) { File.write(File.join(d, "steady-move.key"), "#{"ab" * 32}\n") } =>
      "is not the one that sealed",
    ->(d) { File.write(File.join(d, "steady-move.key"), "abc\n") } => "holds no key",
    ->(d) { File.write(File.join(d, "steady-move.key.new"), "#{"cd" * 32}\n") } =>
      "is a second key",
    ->(d) { Dir[File.join(d, "*sqlite3*")].each { |f| File.delete(f) } } =>
      "but no database beside it",
    ->(d) { File.truncate(File.join(d, "steady-move.sqlite3"), 0) } => "but no database beside it",
    ->(d) { File.write(File.join(d, "steady-move.sqlite3"), "x" * 9000) } => "no whole database",
    ->(d) { FileUtils.rm_f(File.join(d, "web.log")) && FileUtils.mkdir(File.join(d, "web.log")) } =>
      "can't be opened"
  }.freeze

  def test_what_lacks_or_is_wrong_stops_the_start_with_one_line
    whole = desk
    whole.prepare { |app| app.secrets.for("rodauth") }
    DAMAGES.each do |damage, says|
      served = desk
      FileUtils.cp_r(whole.data, served.folder)
      damage.call(served.data)
      before = Dir.children(served.data).sort
      said =
        assert_raises(StandardError) do
          SteadyMove::Serving.new(served.config, StringIO.new).call
        end.message
      assert_includes said, says
      assert_equal 1, said.lines.size, said
      after = Dir.children(served.data).grep_v(/-(wal|shm)\z/).sort
      assert_equal before - %w[web.log], after - %w[desk.lock web.log], "nothing was made anew"
    end
  end

  def test_ipv6_and_a_path_of_its_own
    served = desk(listen: "::1", path: "/desk")
    served.start
    answer =
      Net::HTTP.start("::1", served.port) { |http| [http.get("/desk/names"), http.get("/names")] }
    page = answer.first.body
    assert_equal %w[200 404], answer.map(&:code)
    assert_includes page, %(<meta name="steady-move-path" content="/desk")
    script = page[%r{src="(/desk/assets/[^"]+\.js)"}, 1]
    Net::HTTP.start("::1", served.port) do |http|
      assert_equal "200", http.get(script).code
      assert JSON.parse(http.get("/desk/api/session").body)["first_run"]
      assert_equal "200", http.get("/readyz").code
    end
    assert_includes served.said, "http://[::1]:#{served.port}/desk/"
  end

  def test_a_configuration_is_checked
    served = desk(prot: 1, port: 99_999, mailbox: { "host" => "x", "pot" => 1 })
    status, said = run_words("check", "--config", served.file)
    assert_equal [1, 4], [status, said.size], said
    [
      "no setting “prot”",
      "“port” is 99999; expected: a whole number, from 0 to 65535",
      "no setting “mailbox.pot”",
      "“mailbox” lacks port, login, password"
    ].each { |part| assert_includes said.join, part }
    refute_path_exists served.data
    assert_equal 4, assert_raises(RuntimeError) { served.start }.message.lines.size
    good = desk(rdap: { "bootstrap" => "dns.json" })
    assert_includes run_words("check", "--config", good.file)[1].join, "a file that can be read"
    File.write(File.join(good.folder, "dns.json"), "{}")
    assert_equal [0, ["#{good.file} is right."]], run_words("check", "--config", good.file).first(2)
    assert_equal [0, ["Steady Move #{SteadyMove::VERSION}"]], run_words("--version").first(2)
  end

  # what stands in the file => part of the line that names it
  WRONG = {
    "port: x" => "“port” is x; expected: a whole number, from 0 to 65535",
    "listen: 0.0.0.0" => "“listen” is 0.0.0.0; expected: 127.0.0.1, ::1",
    "path: desk/" => "expected: a path like /desk",
    "address: desk.example" => "an address like https://desk.example",
    "proxies: [10.0.0.0/8, nobody]" => "“proxies” is nobody; expected: an address or a network",
    "idle: 3" => "at least 60",
    "watch: perhaps" => "“watch” is perhaps; expected: true or false",
    "backup: {keep: 3}" => "“backup” lacks folder",
    "rdap: [1]" => "“rdap” is array; expected: a map",
    "data: [" => "line 2",
    "data: *x" => "alias",
    "- data" => "a map of settings",
    "log: {level: loud}" => "debug, info"
  }.freeze

  def test_what_is_wrong_in_a_configuration_is_named
    file = desk.file
    WRONG.each do |text, says|
      File.write(file, "#{text}\n")
      problems = SteadyMove::Desk::ConfigFile.new(file).problems
      assert_equal [1, true], [problems.size, problems.first.include?(says)], problems.inspect
    end
    assert_includes SteadyMove::Desk::ConfigFile.new("/nowhere.yml").problems.first, "is not there"
    assert_includes SteadyMove::Desk::ConfigFile.new("/tmp").problems.first, "can't be read"
  end
end
