# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/command_line"

# The commands of whoever keeps a desk, one after the other on a folder that held nothing, and each
# wrong word: 2 where what was given is wrong, 1 where it can't be done.
class CommandsTest < Minitest::Test
  include CommandLine

  def setup
    @folder = Dir.mktmpdir
    @data = File.join(@folder, "data")
    SteadyMove::Desk::App.new(config(@data), clock: SteadyMove::Desk::SystemClock.new).close
  end

  def teardown = FileUtils.rm_rf(@folder)

  def config(data) = SteadyMove::Desk::Config.new({ "data" => data })

  # Returns [status, everything that was said]; PLACE/ stands for this test's folder.
  def run_on(data, line)
    words = line.split.map { |word| word.sub("PLACE", @folder) }
    status = lines = error = nil
    _, aborted = capture_io { status, lines, error = run_words(*words, "--data", data) }
    [status, [*lines, error, aborted].join("\n").gsub(@folder, "PLACE")]
  end

  # [command, status, what is said], in this order on one desk.
  KEPT = [
    [
      "people add ada@site.example administrator",
      0,
      %r{choose a password at http://127\S+/invited#}
    ],
    ["people add ada@site.example captain", 1, /captain/],
    ["people list", 0, /\A\s*\z/],
    ["people role ada@site.example viewer", 1, /ada@site\.example/],
    ["verify", 0, /Nothing is wrong in PLACE/],
    ["backup PLACE/one.tar", 0, /holds the key, keep it safe/],
    ["restore PLACE/one.tar --check", 0, /one\.tar can be restored: nothing is wrong/],
    ["restore PLACE/one.tar", 1, /restore into an empty folder/],
    ["restore PLACE/none.tar --check", 1, /none\.tar/],
    ["export PLACE/all", 0, %r{lines are in PLACE/all; see README}],
    ["export PLACE/all", 1, %r{PLACE/all}],
    ["change-key", 0, /sealed with a new key/],
    ["purge --before 2026-01-31", 0, /^Cleared: .*\d/],
    ["purge --before yesterday", 1, /yesterday/]
  ].freeze

  def test_one_after_the_other
    KEPT.each do |line, status, said|
      found = run_on(@data, line)
      assert_equal status, found.first, "#{line}: #{found.last}"
      assert_match said, found.last, line
    end
    other = File.join(@folder, "other")
    status, said = run_on(other, "restore PLACE/one.tar")
    assert_equal [0, "Restored into PLACE/other."], [status, said.strip]
    third = File.join(@folder, "third")
    assert_match(/everybody chooses a new password/, run_on(third, "import PLACE/all").last)
    [other, third].each { |data| assert_match(/Nothing is wrong/, run_on(data, "verify").last) }
  end

  def test_where_there_is_no_desk
    nothing = File.join(@folder, "nothing")
    [
      "verify",
      "change-key",
      "people list",
      "export PLACE/x",
      "purge --before 2026-01-31"
    ].each do |line|
      status, said = run_on(nothing, line)
      assert_equal 1, status, "#{line}: #{said}"
      assert_match(%r{\ASteady Move: .*PLACE/nothing}, said.strip, line)
    end
    assert_empty Dir.children(nothing), "nothing was made on the way"
  end

  MISUSED = {
    "" => "there is no such command",
    "sail" => "there is no such command",
    "backup" => "there is no such command",
    "people" => "there is no such command",
    "people add ada@site.example" => "people list | add EMAIL ROLE",
    "purge" => "purge --before DATE is expected",
    "check" => "check --config FILE is expected",
    "serve --port 70000" => "--port 70000: a number from 1 to 65535 is expected",
    "serve --port http" => "--port http: a number from 1 to 65535 is expected",
    "zone canonical" => "zone canonical FILE or zone compare OLD NEW is expected",
    "zone compare one" => "zone canonical FILE or zone compare OLD NEW is expected",
    "serve --sails 3" => "invalid option: --sails",
    "desk sail" => "desk knows these: list, judge, plan, start, follow"
  }.freeze

  def test_what_is_misused
    environment = { "STEADY_MOVE_DESK" => "http://127.0.0.1:1", "STEADY_MOVE_TOKEN" => "t" }
    MISUSED.each do |line, said|
      found = with_environment(environment) { run_on(@data, line) }
      assert_equal 2, found.first, line
      assert_includes found.last, said, line
    end
  end

  def test_what_it_says_of_itself
    assert_match(/\ASteady Move \d+\.\d+\.\d+$/, run_on(@data, "--version").last)
    %w[-h --help].each { |word| assert_match(/^Usage: bin/, run_on(@data, word).last) }
  end

  def test_a_configuration_is_checked
    right = File.join(@folder, "right.yml")
    wrong = File.join(@folder, "wrong.yml")
    File.write(right, "port: 7460\n")
    File.write(wrong, "port: none\nsail: 3\n")
    assert_equal [0, ["#{right} is right."]], run_words("check", "--config", right).first(2)
    status, lines, = run_words("check", "--config", wrong)
    assert_equal 1, status
    assert_equal %w[port sail], %w[port sail].select { |w| lines.join.include?(w) }, lines.inspect
  end

  def with_environment(more)
    before = ENV.to_h.slice(*more.keys)
    ENV.update(more)
    yield
  ensure
    more.each_key { |key| ENV[key] = before[key] }
  end
end
