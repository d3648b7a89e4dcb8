# frozen_string_literal: true

require_relative "../test_helper"
require "digest"
require "tmpdir"
require "zlib"

# Every version that was released: its database, as its own code made it, is brought to today; and
# no migration that was released is ever changed. Test data: databases made by those versions from
# the demo's data, digests of the files.
class ReleasedTest < Minitest::Test
  DATA = File.join(SteadyMove::ROOT, "test", "data", "upgrade")
  MIGRATIONS = SteadyMove::Store::Database::MIGRATIONS
  Clock = Struct.new(:now)

  # Puts a version's database and key into a data folder. Returns its configuration.
  def data_of(version, folder)
    config = SteadyMove::Desk::Config.new({ "data" => folder })
    packed = File.join(DATA, "desk-#{version}.sqlite3.gz")
    octets =
      (
        if File.exist?(packed)
          Zlib.gunzip(File.binread(packed))
        else
          File.binread(packed.delete_suffix(".gz"))
        end
      )
    File.binwrite(config.database, octets)
    FileUtils.cp(File.join(DATA, "desk-#{version}.key"), config.key_file)
    config
  end

  def versions = Dir[File.join(DATA, "desk-*.key")].map { |f| f[/desk-(.+)\.key/, 1] }.sort

  def in_folder(version)
    Dir.mktmpdir { |folder| yield data_of(version, folder) }
  end

  def opened(config)
    app = SteadyMove::Desk::App.new(config, clock: Clock.new(Time.utc(2027, 3, 1, 9)))
    yield app
  ensure
    app&.close
  end

  def test_there_is_a_database_of_every_released_version
    released = File.read(File.join(SteadyMove::ROOT, "CHANGELOG.md")).scan(/^## (\S+) /).flatten
    assert_equal SteadyMove::VERSION, released.first
    assert_equal released.drop(1).sort,
                 versions,
                 "the version before is released: put its database beside the others"
  end

  def test_each_is_brought_to_today_with_a_backup_before
    versions.each do |version|
      in_folder(version) do |config|
        opened(config) do |app|
          assert_equal [SteadyMove::Store::Database::LATEST, SteadyMove::VERSION],
                       [SteadyMove::Store::Database.schema(app.db), app.system_state["version"]],
                       version
          assert_empty SteadyMove::Desk::Verification.new(app.db, app.safe).problems, version
          assert_operator app.moves.all.count { |m| m.state.stage }, :>=, 2, version
          SteadyMove::Desk::Engine::StepRunner.new(app)
        end
        backup, = Dir[File.join(config.data, "before-#{SteadyMove::VERSION}-*.zip")]
        assert backup, "#{version}: no backup was made before"
        Dir.mktmpdir do |folder|
          restored = SteadyMove::Desk::Config.new({ "data" => folder })
          SteadyMove::Desk::Backup.restore(restored, backup)
          opened(restored) { |app| assert_nil app.journal.broken_at }
        end
        opened(config) { nil }
        assert_equal 1,
                     Dir[File.join(config.data, "before-*")].size,
                     "only where something is migrated"
      end
    end
  end

  # Where the backup can't be made or holds something wrong, the database stays what it was.
  def test_without_a_good_backup_nothing_is_migrated
    in_folder("0.2.0") do |config|
      refuse = ->(*) do
        raise SteadyMove::Desk::Refused.new(:unusable, :backup_not_made, says: "no room")
      end
      SteadyMove::Desk::Backup.stub(:make, refuse) do
        assert_raises(SteadyMove::Desk::Refused) { opened(config) { nil } }
      end
      SteadyMove::Desk::Backup.stub(:check, ["line 3 was changed"]) do
        assert_includes assert_raises(SteadyMove::Store::Database::Unusable) {
                          opened(config) { nil }
                        }.message,
                        "line 3 was changed"
      end
      assert SteadyMove::Store::Database.behind?(config.database)
      assert_equal 1, Dir[File.join(config.data, "before-*.broken")].size
    end
  end

  def test_commands_never_migrate_and_a_newer_database_is_named
    in_folder("0.4.0") do |config|
      keeping = SteadyMove::AdminCommands.new(config, StringIO.new)
      %i[verify change_key].each do |command|
        assert_includes assert_raises(SteadyMove::Desk::Refused) {
                          keeping.public_send(command)
                        }.message,
                        "older version"
      end
      opened(config) { |app| app.system_state["version"] = "9.1.0" }
      db = Sequel.sqlite(config.database)
      db[:schema_info].update(version: 99)
      db.disconnect
      said = assert_raises(SteadyMove::Store::Database::Unusable) { opened(config) { nil } }.message
      assert_includes said, "Steady Move 9.1.0; this one is #{SteadyMove::VERSION}"
    end
  end

  # A line for each migration of a released version: its digest and its name. A new one is added
  # with its release.
  def test_released_migrations_never_change
    lines = File.readlines(File.join(DATA, "migrations.sha256"), chomp: true)
    lines.each do |line|
      digest, name = line.split
      assert_equal digest,
                   Digest::SHA256.file(File.join(MIGRATIONS, name)).hexdigest,
                   "#{name} was released: add another"
    end
    later = Dir.children(MIGRATIONS).sort - lines.map { |l| l.split.last }
    assert_operator later.size, :<=, 1, "only the version at work may have one of its own: #{later}"
  end
end
