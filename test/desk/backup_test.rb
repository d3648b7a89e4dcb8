# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"
require "open3"

class BackupTest < Minitest::Test
  Backup = SteadyMove::Desk::Backup

  def setup
    @world = BenchWorld.new
    @file = File.join(@world.folder, "backup.zip")
    @other = config("restored")
  end

  def teardown = @world.close
  def config(folder) = SteadyMove::Desk::Config.new({ "data" => File.join(@world.folder, folder) })

  def test_what_was_backed_up_while_running_is_all_there_after_a_restore
    id = @world.start("isles-timetable.example", to: "orlop")
    @world.runner.pass
    Backup.make(config("desk"), @file)
    assert_equal "600", File.stat(@file).mode.to_s(8)[-3..]
    Backup.restore(@other, @file)
    app = SteadyMove::Desk::App.new(@other, clock: @world.desk.clock)
    assert_equal @world.move(id).events.map(&:says), app.moves.find(id).events.map(&:says)
    assert_equal @world.app.codes.of_move(id), app.codes.of_move(id)
    assert_nil app.journal.broken_at
    app.close
  end

  def test_what_can_not_be_made_or_restored_says_why
    Backup.make(config("desk"), @file)
    {
      -> { Backup.make(config("desk"), @file) } => "is there already",
      -> { Backup.make(config("empty"), "#{@file}2") } => "no database",
      -> { Backup.restore(config("desk"), @file) } => "holds a database already",
      -> { Backup.restore(@other, "/nowhere") } =>
        "can't be " \
          "restored"
    }.each do |act, says|
      assert_includes assert_raises(SteadyMove::Desk::Refused, &act).message, says
    end
    File.write(bad = File.join(@world.folder, "bad.zip"), "no archive")
    assert_raises(SteadyMove::Desk::Refused) { Backup.restore(@other, bad) }
    refute_path_exists @other.database
  end

  # Restored by root into the folder of whoever runs the desk, the files are theirs.
  def test_what_is_restored_belongs_to_the_keeper_of_the_folder
    Backup.make(config("desk"), @file)
    FileUtils.mkdir_p(@other.data)
    owner = Process.euid.zero? ? [12_345, 12_346] : [Process.euid, Process.egid]
    File.chown(*owner, @other.data)
    Backup.restore(@other, @file)
    [@other.database, @other.key_file].each do |file|
      found = File.stat(file)
      assert_equal [*owner, "600"], [found.uid, found.gid, found.mode.to_s(8)[-3..]]
    end
  end

  # What only a person can put right is not tried again by the service.
  def test_the_unit_knows_when_not_to_start_again
    unit = File.read(File.join(SteadyMove::ROOT, "docs", "running", "steady-move.service"))
    assert_equal SteadyMove::Cli::UNSERVABLE.to_s, unit[/^RestartPreventExitStatus=(\d+)$/, 1]
  end

  # words for the command line => exit status and what it says
  COMMANDS = {
    [] => [2, "Usage:"],
    %w[backup] => [2, "Usage:"],
    %w[backup x --config /nowhere.yml] => [1, "is not there"],
    %w[serve --config /nowhere.yml] => [78, "is not there"],
    %w[--nonsense] => [2, "invalid option"]
  }.freeze

  def test_the_command_line_says_one_line
    COMMANDS.each do |words, (code, says)|
      said, status = Open3.capture2e(File.join(SteadyMove::ROOT, "bin", "steady-move"), *words)
      assert_equal [code, true], [status.exitstatus, said.include?(says)], said
      refute_match(/\.rb:\d+:in/, said)
    end
  end

  # a configuration file => the line that is said of it
  FILES = {
    "- a\n" => "a map of settings",
    "a: [\n" => "line",
    "data: /proc/none\n" => "can't be made"
  }.freeze

  def test_a_configuration_that_can_not_be_used
    FILES.each do |text, says|
      File.write(file = File.join(@world.folder, "desk.yml"), text)
      assert_includes assert_raises(SteadyMove::Desk::Refused) {
                        SteadyMove::Desk::Config.read(file, env: {})
                      }.message,
                      says
    end
  end

  def test_the_rdap_bootstrap_file_is_read_and_own_words_rule
    File.write(
      file = File.join(@world.folder, "dns.json"),
      {
        services: [[%w[com net], %w[http://a.test/ https://b.test/]], [["org"], ["http://c.test/"]]]
      }.to_json
    )
    config =
      SteadyMove::Desk::Config.new(
        {
          "data" => @world.folder,
          "rdap" => {
            "bootstrap" => file,
            "bases" => {
              "org" => "http://own.test/"
            }
          }
        }
      )
    places = SteadyMove::Desk::Accounts::Settings.new(@world.app.db, @world.app.safe, config).places
    assert_equal(
      { "com" => "https://b.test/", "net" => "https://b.test/", "org" => "http://own.test/" },
      places.rdap_bases
    )
  end
end
