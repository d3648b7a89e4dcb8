# frozen_string_literal: true

require_relative "../test_helper"
require "tmpdir"

# Letters, mailboxes and messages as they are kept: what is sealed, what is found again, what
# happens twice.
class PostStoreTest < Minitest::Test
  Store = SteadyMove::Store
  Mail = SteadyMove::Wire::Mail
  AT = Time.utc(2027, 3, 1, 8)

  def setup
    @folder = Dir.mktmpdir
    @db = Store::Database.open(File.join(@folder, "x.sqlite3"))
    @safe = safe = Store::Safe.at(File.join(@folder, "key"))
    @letters = Store::Letters.new(@db, safe)
    @messages = Store::Messages.new(@db, safe)
  end

  def teardown
    @db.disconnect
    FileUtils.rm_rf(@folder)
  end

  def draft(reference = "SM-0001-abcd", to: "help@reg.test", **more)
    Core::Letters::Draft.new(
      to: to,
      subject: "Please",
      text: "Lock off",
      kinds: ["unlock"],
      names: %w[a.example b.example],
      reference: reference,
      **more
    )
  end

  def put(letter = draft, message_id: "1@x.test", steps: [[7, "unlock"]], **more)
    @letters.put(
      letter,
      steps: steps,
      at: AT,
      due_at: AT + 60,
      account_id: "reg",
      message_id: message_id,
      how: "smtp",
      by: "ada",
      **more
    )
  end

  def test_a_letter_comes_back_as_it_was_kept
    id = put
    found = @letters.find(id)
    assert_equal [
                   "help@reg.test",
                   %w[unlock],
                   %w[a.example b.example],
                   [[7, "unlock"]],
                   AT,
                   AT + 60,
                   "intended",
                   nil
                 ],
                 found.values_at(
                   :recipient,
                   :kinds,
                   :names,
                   :steps,
                   :at,
                   :due_at,
                   :state,
                   :answered_at
                 )
    @letters.sent(id)
    @letters.answered(id, at: AT + 30)
    assert_equal ["answered", AT + 30], @letters.find(id).values_at(:state, :answered_at)
    @letters.drop(id)
    assert_nil @letters.find(id)
  end

  def test_a_word_is_sealed_and_shown_to_nobody
    id = put(word: "amber-olive-tulip")
    assert_equal "amber-olive-tulip", @letters.word(id)
    refute_includes @db[:letters].all.inspect, "amber"
    refute @letters.find(id).key?(:word)
    assert_nil @letters.word(put(message_id: "2@x.test"))
  end

  # Message-IDs that are named, text => which letter it answers
  ANSWERS = [
    [["1@x.test"], "", 1],
    [%w[0@y.test 2@x.test], "", 2],
    [[], "Re: Please [SM-0001-abcd]", 1],
    [["0@y.test"], "our reference: SM-0002-wxyz.", 2],
    [["1@x.test"], "SM-0002-wxyz", 1],
    [[], "SM-0003-abcd", nil],
    [[], "SM-0001-abcde", nil],
    [[], "", nil]
  ].freeze

  def test_what_a_message_answers
    put
    put(draft("SM-0002-wxyz"), message_id: "2@x.test")
    ANSWERS.each do |ids, text, expected|
      found = @letters.answered_by(ids, text)&.fetch(:id)
      if expected
        assert_equal(expected, found, [ids, text].inspect)
      else
        assert_nil(found, [ids, text].inspect)
      end
    end
  end

  def test_the_newest_letter_of_a_step_to_an_address
    put
    put(message_id: "2@x.test")
    put(draft(to: "other@reg.test"), message_id: "3@x.test")
    assert_equal 2, @letters.of_step(7, "unlock", to: "help@reg.test")[:id]
    assert_nil @letters.of_step(7, "release", to: "help@reg.test")
    assert_equal([3, 2, 1], @letters.all.map { |l| l[:id] })
  end

  # Names are judged anew once a mailbox is known better.
  def test_a_mailbox_has_just_those_names_judged_anew_whose_contact_it_is
    names = Store::Names.new(@db)
    %w[a.example b.example].each { |n| names.put(domain(n), "x", at: AT) }
    names.learn("a.example", facts(source: :account, registrant_email: "ADA@x.test"))
    before = names.marks
    @letters.mailbox("Ada@X.test", "asked", at: AT)
    @letters.mailbox("ada@x.test", "proven", at: AT + 1)
    assert_equal({ "ada@x.test" => ["proven", (AT + 1).to_i] }, @letters.mailboxes)
    assert_equal [before.first + 2, before.last], names.marks
    assert_equal(
      { "a.example" => before.first + 2 },
      @db[:names].where { revision > before.first }.select_hash(:name, :revision)
    )
  end

  def test_a_correction_holds_for_one_sender_and_one_reading
    @letters.correct("Notices@Reg.test", "code", "offer", by: "ada", at: AT)
    @letters.correct("notices@reg.test", "code", "receipt", by: "bo", at: AT)
    assert_equal %w[receipt bo], @letters.correction("NOTICES@reg.test", "code")
    assert_nil @letters.correction("notices@reg.test", "landed")
    assert_nil @letters.correction("others@reg.test", "code")
  end

  def mail(id: "m4@x.test", text: "The authorization code is: secret11", place: nil)
    Mail::Eml.read(
      "From: a@x.test\r\nMessage-ID: <#{id}>\r\nSubject: s\r\n\r\n#{text}\r\n",
      place: place
    )
  end

  def place(uid, uidvalidity: 7, mailbox: 1)
    Core::Post::Place.new(mailbox: mailbox, uidvalidity: uidvalidity, uid: uid)
  end

  def reading(**more)
    Core::Post::Reading.new(
      kind: "code",
      names: [],
      code: "secret11",
      candidates: ["secret11"],
      codes: {
      },
      trust: "doubtful",
      because: [],
      speaks: true,
      **more
    )
  end

  def keep(message, reading = reading())
    kept = Core::Post::Kept.new(message: message, reading: reading)
    @messages.keep(@messages.ready(kept))
  end

  def numbers(**more) = @messages.numbers(more.fetch(:mailbox, 1), more.fetch(:uidvalidity, 7))

  # Until version 15 the mailbox stood in a message's number, and in keys of settings.
  def test_an_earlier_version_s_mailboxes_become_rows
    Dir.mktmpdir do |folder|
      db = SteadyMove::Store::Database.send(:connect, File.join(folder, "desk.sqlite3"))
      migrate = ->(to) { Sequel::Migrator.run(db, Store::Database::MIGRATIONS, target: to) }
      migrate[15]
      row = { text: "", names: "[]", kind: "code" }
      numbers = [12, -1, (10**10) + 7, (10**10) + (5 * (10**9)) + 1]
      numbers.each { |n| db[:messages].insert(uid: n, message_id: "m#{n}", **row) }
      settings = SteadyMove::Store::SettingRows.new(db, @safe)
      state = SteadyMove::Store::SystemState.new(db)
      state["mailbox.1"] = { "floor" => 7, "validity" => 31 }
      second = { "host" => "imap.example", "port" => 993, "login" => "ada", "password" => "w" }
      settings.set("mailbox2", second, at: AT)
      settings.set("mail_server", { "ids" => "MX.a, mx.b", "trusting" => true }, at: AT)
      migrate[16]
      assert_equal [[nil, nil, nil], [1, nil, 12], [2, 31, 7], [nil, nil, nil]],
                   db[:messages].order(:id).select_map(%i[mailbox uidvalidity uid])
      inboxes = SteadyMove::Store::Inboxes.new(db, @safe)
      2.times { inboxes.settle(settings, state, of_file: true) }
      box, file = inboxes.all
      assert_equal [2, "w", %w[mx.a mx.b], true, [31, 7]],
                   [box.id, box.endpoint[:password], box.ids, box.trusting, inboxes.read_to(2)]
      assert_equal [true, {}], [file.of_file, file.endpoint]
      assert_empty settings.keys
    end
  end

  # Message => is it known, once m4 lies at 4 and one without a Message-ID was dropped in.
  def test_messages_are_known_by_their_place_and_by_their_own_id
    assert_empty numbers
    id = keep(mail(place: place(4)))
    keep(mail(id: "", text: "dropped in"))
    assert_equal [[4], [], []], [numbers, numbers(uidvalidity: 8), numbers(mailbox: 2)]
    {
      mail(id: "other", place: place(4)) => true,
      mail(place: place(9)) => true,
      mail(place: place(4, uidvalidity: 8)) => true,
      mail(place: place(4, mailbox: 2)) => true,
      mail => true,
      mail(text: "other octets") => false,
      mail(id: "m9@x.test", place: place(9)) => false,
      mail(id: "m9@x.test", place: place(4, uidvalidity: 8)) => false
    }.each do |message, known|
      assert_equal [(id if known)], [@messages.known(message)], message.to_h.except(:raw).inspect
    end
    @messages.moved(id, place(2, uidvalidity: 8))
    assert_equal [[], [2]], [numbers, numbers(uidvalidity: 8)]
    assert_raises(Sequel::UniqueConstraintViolation) do
      keep(mail(id: "m9@x.test", place: place(2, uidvalidity: 8)))
    end
  end

  def test_codes_are_sealed_until_they_are_in_the_safe
    first = keep(mail)
    second = keep(mail(id: "m5@x.test"), reading(candidates: []))
    refute_includes @db[:messages].all.inspect, "secret11"
    assert @messages.find(first).has_codes
    codes = SteadyMove::Store::Messages::Codes
    expected = codes.new(code: "secret11", codes: {}, candidates: ["secret11"])
    assert_equal expected, @messages.codes(first)
    @messages.drop_codes(first)
    assert_nil @messages.codes(first)
    assert_nil @messages.codes(second)
    # as an earlier version sealed it
    @db[:messages].where(id: second).update(sealed_code: @safe.seal("{plain"))
    lone = codes.new(code: "{plain", codes: {}, candidates: ["{plain"])
    assert_equal lone, @messages.codes(second)
  end
end
