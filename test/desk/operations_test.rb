# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"
require "find"

# What keeps a desk for years: exports held against imports, purges and retention, backups under
# hard conditions.
class OperationsTest < Minitest::Test
  Refused = SteadyMove::Desk::Refused
  NAME = "isles-timetable.example"

  def setup = @world = BenchWorld.new
  def teardown = @world.close
  def app = @world.app
  def folder(name) = File.join(@world.folder, name)
  def config(name) = SteadyMove::Desk::Config.new({ "data" => folder(name) })

  def opened(name)
    other = SteadyMove::Desk::App.new(config(name), clock: @world.desk.clock)
    yield other
  ensure
    other&.close
  end

  def files(place)
    Find
      .find(place)
      .select { |f| File.file?(f) }
      .to_h { |f| [f.delete_prefix(place), File.binread(f)] }
  end

  def export(from, name) = SteadyMove::Desk::Operations::Export.new(from, folder(name)).call

  AGREED = "nightboat-saltern.example"
  ADA = "ada@saltern-office.example"

  # Two moves under way, a page on which a client agrees, mail with a code, a setting with a
  # password.
  def lived
    @world.start("saltern-isles.example", to: "orlop", host: "lanternroom")
    id = @world.start("saltern-press.fjd.test", to: "orlop") if app.names.find(
      "saltern-press.fjd.test"
    )
    @world.start(NAME, to: "orlop")
    3.times { @world.driver.move_on }
    app.inboxes.add(host: "imap.example", port: 993, login: "a", password: "tell-nobody")
    batch, = SteadyMove::Desk::Batches::BatchCommands.new(app).make([AGREED], by: ADA, to: "orlop")
    @word = SteadyMove::Desk::Batches::Agreements.new(app).ask(batch, by: ADA)
    app.codes.keep("harbourpass.example", "S3cret,Code-77", at: app.now)
    id
  end

  def test_an_export_taken_in_and_written_again_is_the_same
    lived
    counts = export(app, "first")
    opened("other") do |other|
      assert_equal counts, SteadyMove::Desk::Operations::Import.new(other, folder("first")).call
      export(other, "second")
      assert_nil other.journal.broken_at
      assert_empty SteadyMove::Desk::Verification.new(other.db, other.safe).problems
      assert_equal(
        app.moves.all.map { |m| [m.name, m.state.stage, m.state.turn] },
        other.moves.all.map { |m| [m.name, m.state.stage, m.state.turn] }
      )
      assert_equal "imap.example", other.inboxes.shown.last[:host]
      agreements = SteadyMove::Desk::Batches::Agreements.new(other)
      assert_equal 1, agreements.list(other.batches.all.last).size
      assert_nil agreements.find(@word), "an export lets nobody in"
      assert_includes assert_raises(Refused) {
                        SteadyMove::Desk::Operations::Import.new(other, folder("first")).call
                      }.message,
                      "holds something already"
    end
    first = files(folder("first"))
    second = files(folder("second"))
    assert_equal first.keys.sort, second.keys.sort
    first.each { |name, octets| assert_equal octets, second[name], name }
    %w[/README.txt /names.csv /tables/events.jsonl].each { |name| assert first.key?(name) }
    assert_operator first.keys.grep(/\.zone\z/).size, :>=, 2
    assert_includes first.find { |k, _| k.end_with?(".eml") }.last, "Subject:"
    refute_match(/tell-nobody|S3cret|\$argon2/, first.values.join.b)
  end

  # what is done to an export => part of the refusal; nothing of it is kept
  BAD = {
    ->(d) { File.delete(File.join(d, "export.json")) } => "holds no export",
    ->(d) { File.write(File.join(d, "export.json"), '{"format": 9}') } =>
      "export with the same version",
    ->(d) { File.write(File.join(d, "tables", "names.jsonl"), "{\"name\": 1\n") } =>
      "names.jsonl, line 1 is no JSON",
    ->(d) { File.write(File.join(d, "tables", "names.jsonl"), "{\"nam\": 1}\n") } =>
      "there is no column “nam”",
    ->(d) { File.delete(File.join(d, "tables", "events.jsonl")) } => "can't be imported"
  }.freeze

  def test_a_bad_export_leaves_the_desk_empty
    lived
    export(app, "whole")
    BAD.each_with_index do |(damage, says), i|
      FileUtils.cp_r(folder("whole"), bad = folder("bad#{i}"))
      damage.call(bad)
      opened("empty#{i}") do |other|
        assert_includes assert_raises(Refused) {
                          SteadyMove::Desk::Operations::Import.new(other, bad).call
                        }.message,
                        says
        assert_equal [0, 0], [other.db[:names].count, other.db[:events].count]
      end
    end
    assert_includes assert_raises(Refused) { export(app, "whole") }.message, "is not empty"
  end

  def kept(uid) = app.db[:messages].where(id: uid).first

  def put(uid, kind, days, move_id: nil)
    app.db[:messages].insert(
      id: uid,
      message_id: "<#{uid}@x>",
      sender: "a@b.example",
      recipient: "c@d.example",
      subject: "Subject #{uid}",
      text: "Body #{uid}",
      at: (app.now - (days * 86_400)).to_i,
      kind: kind,
      names: "[]",
      because: "[]",
      doubtful: false,
      move_id: move_id,
      links: "[]",
      facts: "{}",
      trust: "unproven"
    )
  end

  def test_retention_clears_bodies_and_keeps_heads_and_the_journal
    open = @world.start(NAME, to: "orlop")
    put(1001, "unrelated", 40)
    put(1002, "unrelated", 20)
    put(1003, "receipt", 400)
    put(1004, "receipt", 400, move_id: open)
    app.db[:mailboxes].insert(
      address: "gone@x.example",
      state: "proven",
      at: (app.now - (90 * 86_400)).to_i
    )
    app.config.instance_variable_set(
      :@retention,
      { "unrelated" => 30, "mail" => 365, "contacts" => 60 }
    )
    keeper = SteadyMove::Desk::Operations::Retention.new(app)
    assert keeper.due?
    assert_equal({ mail: 1, unrelated: 1, contacts: 1 }, keeper.call)
    assert_equal(["", "Body 1002", "", "Body 1004"], (1001..1004).map { |uid| kept(uid)[:text] })
    assert_equal "Subject 1001", kept(1001)[:subject]
    assert_equal [false, nil],
                 [keeper.due?, app.db[:mailboxes].where(address: "gone@x.example").first]
    assert_nil app.journal.broken_at
    assert_includes app.journal.page(type: "purged").first.says, "2 bodies of emails"
    SteadyMove::AdminCommands.new(config("desk"), out = StringIO.new).purge(
      (app.now - 86_400).strftime("%Y-%m-%d")
    )
    assert_includes out.string, "mail 1"
    assert_equal "Body 1004", kept(1004)[:text], "a move under way keeps its mail"
    assert_raises(Refused) { SteadyMove::AdminCommands.new(config("desk"), out).purge("yesterday") }
  end

  def test_codes_of_a_name_let_go_are_wiped_at_once
    app.codes.keep(NAME, "S3cret-77", at: app.now)
    SteadyMove::Desk::Portfolio::TakingIn.new(app).let_go(NAME, by: "ada")
    assert_nil app.codes.newest(NAME)
    assert_equal [nil], app.db[:codes].where(name: NAME).select_map(:sealed)
  end

  # Another process, as somebody who may not write there, or whose disk is full.
  def aside
    reader, writer = IO.pipe
    pid =
      fork do
        reader.close
        writer.write(yield)
        writer.close
        exit!(0)
      end
    writer.close
    reader.read.tap { Process.wait(pid) }
  end

  def test_backups_from_a_folder_that_can_only_be_read_and_onto_a_full_disk
    out = Dir.mktmpdir
    File.chmod(0o777, out)
    opened("quiet") { |other| other.secrets.for("rodauth") }
    quiet = config("quiet")
    full =
      aside do
        trap("XFSZ", "IGNORE")
        Process.setrlimit(:FSIZE, 100_000)
        SteadyMove::Desk::Backup.make(quiet, File.join(out, "full.zip"))
      rescue Refused => e
        e.message
      end
    assert_match(/could not be made/, full)
    assert_empty Dir.children(out), "no broken archive is left"
    [@world.folder, folder("quiet")].each { |f| File.chmod(0o755, f) }
    Dir[File.join(folder("quiet"), "*")].each { |f| File.chmod(0o644, f) }
    File.chmod(0o555, folder("quiet"))
    said =
      aside do
        Process::UID.change_privilege(65_534) if Process.uid.zero?
        SteadyMove::Desk::Backup.make(quiet, File.join(out, "read.zip"))
        SteadyMove::Desk::Backup.check(File.join(out, "read.zip")).inspect
      rescue StandardError => e
        e.message
      end
    assert_equal "[]", said
  ensure
    File.chmod(0o755, folder("quiet"))
    FileUtils.rm_rf(out)
  end

  def test_the_journal_check_walks_on_and_begins_anew_each_day
    2.times { |i| app.journal.add("note", at: app.now, says: "line #{i}", by: "ada") }
    check = SteadyMove::Desk::Operations::JournalCheck.new(app)
    whole, first, walked = check.call
    assert whole
    app.journal.add("note", at: app.now, says: "one more", by: "ada")
    assert_equal [true, first + 1, walked],
                 SteadyMove::Desk::Operations::JournalCheck.new(app).call,
                 "over a restart, too"
    assert_equal walked.to_i, app.system_state["journal-check"]["walked"]
    app.db.run("DROP TRIGGER events_no_update")
    app.db[:events].where(seq: 1).update(says: "forged")
    assert check.call.first, "what was checked is not walked again at once"
    @world.driver.move_on(to: app.now + 90_000)
    refute check.call.first
    assert_equal 1, app.journal.broken_at
  end

  # Damage that a walk found is told by every look after it, however few lines a look walks; and it
  # is told of.
  def test_damage_far_down_the_journal_stays_known
    6.times { |i| app.journal.add("note", at: app.now, says: "line #{i}", by: "ada") }
    app.db.run("DROP TRIGGER events_no_update")
    bad = app.journal.last_seq - 1
    app.db[:events].where(seq: bad).update(says: "forged")
    SteadyMove::Desk::Operations::JournalCheck.new(app).walk
    assert_equal [false, bad - 1],
                 SteadyMove::Desk::Operations::JournalCheck.new(app).call(most: 2).first(2)
    told = SteadyMove::Desk::Operations::Alerts.new(app, @world.runner).standing.map(&:says)
    assert_includes told.join, "line #{bad} was changed"
  end

  # A head's number may be another message's by now: nothing is put in its place.
  def test_a_body_is_fetched_only_of_the_message_that_it_was
    mail = @world.world.instance_variable_get(:@db)[:mail]
    raw = ->(id) do
      Sequel.blob(
        "From: n@shop.test\r\nMessage-ID: <#{id}@x>\r\nSubject: Chairs\r\n\r\nChairs.\r\n"
      )
    end
    mail.insert(at: 0, raw: raw["a"])
    @world.runner.post.fetch
    row = app.messages.all.find { |m| m.subject == "Chairs" }
    mail.where(uid: row.place.uid).update(raw: raw["b"])
    gone = assert_raises(Refused) { @world.runner.post.fetch_body(row.id) }
    assert_includes gone.message, "no longer in the mailbox"
    assert_equal "Chairs", app.messages.find(row.id).subject
  end

  # What was cleared and is fetched again is text: nothing follows from it a second time.
  def test_a_cleared_body_comes_back_without_consequences
    id = @world.start(NAME, to: "orlop")
    @world.runner.pass
    @world.until_true { app.messages.of_move(id).any? }
    message = app.messages.of_move(id).last
    app.db[:messages].where(id: message.id).update(text: "", bodiless: true)
    lines = app.db[:events].count
    @world.runner.post.fetch_body(message.id)
    assert_equal message.text, app.messages.find(message.id).text
    assert_equal lines, app.db[:events].count
  end
end
