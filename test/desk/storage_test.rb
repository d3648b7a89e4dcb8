# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"
require "open3"

# Full disks, locked and damaged files, keys and backups: one plain sentence, nothing lost, nothing
# done unwritten.
class StorageTest < Minitest::Test
  Backup = SteadyMove::Desk::Backup
  Unusable = SteadyMove::Store::Database::Unusable
  Refused = SteadyMove::Desk::Refused

  def setup
    @world = BenchWorld.new
    @file = File.join(@world.folder, "backup.zip")
  end

  def teardown = @world.close
  def app = @world.app
  def config(folder = "desk")
    SteadyMove::Desk::Config.new({ "data" => File.join(@world.folder, folder) })
  end
  def mode(path) = File.stat(path).mode.to_s(8)[-3..]

  # Puts a backup of the running desk into a folder of its own. Returns its configuration.
  def copy(folder)
    Backup.make(config, @file) unless File.exist?(@file)
    config(folder).tap { |c| Backup.restore(c, @file) }
  end

  def opened(config)
    app = SteadyMove::Desk::App.new(config, clock: @world.desk.clock)
    yield app
  ensure
    app&.close
  end

  def verify(config)
    opened(config) { |a| SteadyMove::Desk::Verification.new(a.db, a.safe).problems }
  end

  def test_nobody_else_reads_the_data
    folder = File.join(@world.folder, "desk")
    File.chmod(0o755, folder)
    File.chmod(0o644, config.database)
    config
    assert_equal %w[700 600 600], [mode(folder), mode(config.database), mode(config.key_file)]
  end

  # A full disk: SQLite's own limit of pages stands for it.
  def test_on_a_full_disk_nothing_is_ordered_and_afterwards_it_goes_on
    id = @world.start("isles-timetable.example", to: "orlop")
    full do
      3.times { assert_raises(Sequel::DatabaseError) { @world.runner.pass || fill(10) } }
      assert_empty acts, "what could not be written down was not done"
      assert_raises(Sequel::DatabaseError) { fill(900) }.then do |e|
        assert_includes trouble(e), "disk is full"
      end
    end
    @world.until_true(what: "the order") { acts.any? { |l| l["command"].start_with?("transfer") } }
    assert_nil app.journal.broken_at
    assert @world.move(id).open
  end

  def acts = @world.link.log.select { |l| l["command"] =~ /update|transfer (request|approve)/ }
  def trouble(error) = SteadyMove::Store::Trouble.say(error)
  def fill(size) = 5000.times { app.journal.add("note", at: app.now, says: "x" * size, by: "ada") }

  def full
    limit = "PRAGMA max_page_count=#{app.db.fetch("PRAGMA page_count").first.values.first}"
    pool = app.db.pool
    pool.connect_sqls += [limit]
    app.db.disconnect
    [900, 10].each { |size| assert_raises(Sequel::DatabaseError) { fill(size) } }
    yield
    pool.connect_sqls -= [limit]
    app.db.disconnect
  end

  # Somebody else's lock: told, waited for, and then all goes on.
  def test_a_database_that_somebody_locks
    other = SQLite3::Database.new(config.database)
    other.execute("BEGIN IMMEDIATE")
    pulse = SteadyMove::Store::WriteProbe.new(config.database, clock: -> { @seconds ||= 0 })
    assert_includes pulse.trouble, "keeps the database locked"
    assert app.names.all, "reading goes on"
    writing = Thread.new { app.journal.add("note", at: app.now, says: "afterwards", by: "ada") }
    other.execute("COMMIT")
    assert_equal "afterwards", writing.value.says
    assert_includes pulse.trouble, "locked", "asked again only after a while"
    @seconds = 5
    assert_nil pulse.trouble
  ensure
    other&.close
  end

  def test_damaged_pages_stop_the_start
    other = copy("damaged")
    File.open(other.database, "r+b") do |f|
      40.times { |i| f.seek(4096 * (3 + i)) && f.write("damaged " * 8) }
    end
    assert_includes assert_raises(Unusable) { opened(other, &:now) }.message, "restore a backup"
  end

  # The key: what is done to its file => the line with which the start stops, or nil.
  KEYS = {
    "missing" => [->(f) { File.delete(f) }, "is missing"],
    "another" => [->(f) { File.write(f, "#{"ab" * 32}\n") }, "is not the one that sealed"],
    "none" => [->(f) { File.write(f, "key\n") }, "holds no key"],
    "a second beside it" => [->(f) { File.write("#{f}.new", "#{"ab" * 32}\n") }, nil]
  }.freeze

  def test_keys
    assert SteadyMove::Store::Seals.any?(app.db)
    KEYS.each_with_index do |(what, (act, says)), i|
      other = copy("key-#{i}")
      act.call(other.key_file)
      next opened(other) { |a| refute_nil a.accounts.find("tarnbeck").secret } unless says

      assert_includes assert_raises(Unusable, what) { opened(other, &:now) }.message, says
      refute_path_exists other.key_file if what == "missing"
    end
  end

  # Everything opens with the new key and nothing with the old one, also where the change was cut
  # off in the middle.
  def test_another_key
    change = SteadyMove::Desk::KeyChange
    [true, false].each do |whole|
      other = copy("changed-#{whole}")
      old = File.read(other.key_file)
      secret = opened(other) { |a| [a.accounts.find("tarnbeck").secret, a.secrets.for("rodauth")] }
      if whole
        assert_operator change.call(other), :>, 1
      else
        File.stub(:rename, ->(*) { raise Errno::EIO }) do
          assert_raises(Errno::EIO) { change.call(other) }
        end
        assert_equal old, File.read(other.key_file)
      end
      assert_equal secret,
                   opened(other) { |a|
                     [a.accounts.find("tarnbeck").secret, a.secrets.for("rodauth")]
                   }
      refute_equal old, File.read(other.key_file)
      assert_empty verify(other)
      refute_path_exists change.beside(other)
    end
  end

  # A look from another process in the middle of a change takes the new key away from nobody.
  def test_a_look_while_the_key_is_changed
    other = copy("looked-at")
    change = SteadyMove::Desk::KeyChange
    keep = SteadyMove::Store::Safe.method(:keep)
    looking = ->(*given) { keep.call(*given).tap { opened(other, &:now) } }
    SteadyMove::Store::Safe.stub(:keep, looking) { change.call(other) }
    assert_empty verify(other)
  end

  # What is done to a database => what the walk through it says.
  TAMPERED = {
    "UPDATE events SET says = 'nothing' WHERE seq = 1" => "Journal line 1 was changed",
    "DELETE FROM events WHERE seq = 2" => "One journal line is missing",
    "DELETE FROM events WHERE seq = (SELECT max(seq) FROM events)" => "the end is cut off",
    "UPDATE accounts SET secret = x'00112233445566778899aabbccddeeff00112233445566778899aabb' WHERE id = 'tarnbeck'" =>
      "sealed in accounts.secret",
    "PRAGMA foreign_keys = OFF; INSERT INTO looks (move_id, step, due_at) VALUES (99, 'order', 0)" =>
      "number 99"
  }.freeze

  def test_verification_says_what_is_wrong_where
    app.journal.add("note", at: app.now, says: "a last line", by: "ada")
    assert_empty verify(copy("whole"))
    TAMPERED.each_with_index do |(sql, says), i|
      other = copy("tampered-#{i}")
      db = SQLite3::Database.new(other.database)
      db.execute_batch("DROP TRIGGER events_no_update; DROP TRIGGER events_no_delete; #{sql}")
      db.close
      assert_equal 1, verify(other).grep(/#{says}/).size, "#{sql}: #{verify(other)}"
      words = %w[verify --config].push(settings(other))
      out, status =
        Open3.capture2e(File.join(SteadyMove::ROOT, "bin", "steady-move"), *words) if i.zero?
      assert_equal([1, true], [status.exitstatus, out.include?(says)], out) if i.zero?
    end
  end

  def settings(config)
    File
      .join(@world.folder, "desk.yml")
      .tap { |f| File.write(f, { "data" => config.data }.to_yaml) }
  end

  # Archives that are no backups => why; nothing is written anywhere.
  def test_what_is_no_backup_is_not_unpacked
    archive("strange", "steady-move.sqlite3" => "x", "steady-move.key" => "y", "../../x" => "z")
    archive("lacking", "steady-move.sqlite3" => "x")
    archive("large", "steady-move.sqlite3" => "x", "steady-move.key" => "k" * 2000)
    archive("broken", "steady-move.sqlite3" => "no database" * 100, "steady-move.key" => "ab" * 32)
    {
      "strange" => "it holds",
      "lacking" => "is missing in it",
      "large" => "is too large",
      "broken" => "no whole database"
    }.each do |name, says|
      file = File.join(@world.folder, "#{name}.zip")
      said =
        assert_raises(Refused, Unusable) { Backup.restore(config("into-#{name}"), file) }.message
      assert_includes said, says
      assert_empty Dir.children(config("into-#{name}").data)
    end
  end

  def archive(name, members)
    Zip::OutputStream.open(File.join(@world.folder, "#{name}.zip")) do |zip|
      members.each { |member, text| zip.put_next_entry(member) && zip.write(text) }
    end
  end

  def test_a_restore_never_overwrites_a_key_nor_trusts_what_lies_beside
    Backup.make(config, @file)
    assert_empty Backup.check(@file)
    other = config("restored")
    File.write("#{other.database}-wal", "left over" * 1000)
    File.write(other.key_file, "precious")
    assert_includes assert_raises(Refused) { Backup.restore(other, @file) }.message,
                    "is there already"
    assert_equal "precious", File.read(other.key_file)
    File.delete(other.key_file)
    Backup.restore(other, @file)
    assert_empty verify(other)
    assert_equal %w[600 600], [mode(other.database), mode(other.key_file)]
  end

  Now = Struct.new(:now)

  def test_scheduled_backups
    folder = File.join(@world.folder, "backups")
    clock = Now.new(Time.utc(2026, 12, 1, 2))
    set =
      SteadyMove::Desk::Config.new(
        { "data" => config.data, "backup" => { "folder" => folder, "keep" => 2, "every" => 3600 } }
      )
    backups = SteadyMove::Desk::ScheduledBackups.new(set, clock: clock)
    [0, 3599, 3600, 7200, 10_800].each do |seconds|
      clock.now = Time.utc(2026, 12, 1, 2) + seconds
      assert_nil backups.call
    end
    assert_equal %w[steady-move-20261201T040000Z.zip steady-move-20261201T050000Z.zip],
                 Dir.children(folder).sort
    clock.now += 7200
    Backup.stub(:check, ["nothing opens"]) { assert_includes backups.call, "nothing opens" }
    assert_equal 1, Dir.children(folder).grep(/broken/).size
    File.stub(:rename, ->(*) { raise Errno::ENOSPC }) { assert_includes backups.call, "not made" }
    assert_empty Dir.children(folder).grep(/part/)
  end

  def test_one_folder_one_desk
    lock = SteadyMove::Desk::Lock.take(config)
    script =
      "require 'steady_move'; begin; " \
        "SteadyMove::Desk::Lock.take(SteadyMove::Desk::Config.new('data' => " \
        "ARGV[0])); rescue SteadyMove::Desk::Refused => e; puts e.message; end"
    said =
      Open3.capture2e("ruby", "-Ilib", "-e", script, config.data, chdir: SteadyMove::ROOT).first
    assert_includes said, "in use by another desk (process #{Process.pid})"
    lock.release
    SteadyMove::Desk::Lock.take(config).release
  end
end
