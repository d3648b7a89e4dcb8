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

  def mail(uid, id: "m#{uid}@x.test", text: "The authorization code is: secret11")
    Mail::Eml.read(
      "From: a@x.test\r\nMessage-ID: <#{id}>\r\nSubject: s\r\n\r\n#{text}\r\n",
      uid: uid
    )
  end

  def reading(**more)
    Core::Post::Reading.new(
      kind: "code",
      names: [],
      code: "secret11",
      candidates: ["secret11"],
      codes: {
      },
      sender: "doubtful",
      because: [],
      speaks: true,
      **more
    )
  end

  def test_messages_are_known_by_number_and_by_their_own_id
    assert_equal [[], -1], [@messages.numbers(0), @messages.next_dropped]
    @messages.put(mail(4), reading, nil)
    @messages.put(mail(-1), reading, nil)
    assert_equal [[4], -2], [@messages.numbers(0), @messages.next_dropped]
    other = SteadyMove::Wire::Mail::Message.new(raw: "Subject: another\r\n\r\n.")
    {
      [4, nil, nil] => true,
      [9, "m4@x.test", nil] => true,
      [9, nil, nil] => false,
      [9, "m9@x.test", nil] => false,
      [9, "m4@x.test", other.raw] => mail(4).raw.nil?
    }.each do |(uid, id, raw), known|
      message =
        SteadyMove::Wire::Mail::Message.new(uid: uid, message_id: id, raw: raw || mail(4).raw)
      assert_equal known, @messages.known?(message), [uid, id].inspect
    end
    @messages.put(mail(4, text: "other"), reading, nil)
    assert_equal 2, @db[:messages].count
  end

  def test_codes_are_sealed_until_they_are_in_the_safe
    @messages.put(mail(1), reading, nil)
    @messages.put(mail(2), reading(candidates: []), nil)
    refute_includes @db[:messages].all.inspect, "secret11"
    refute @messages.find(1).key?(:sealed_code)
    assert_equal(
      { "code" => "secret11", "codes" => {}, "candidates" => ["secret11"] },
      @messages.codes(1)
    )
    @messages.drop_codes(1)
    assert_nil @messages.codes(1)
    assert_nil @messages.codes(2)
    # as an earlier version sealed it
    @db[:messages].where(uid: 2).update(sealed_code: @safe.seal("{plain"))
    assert_equal ["{plain", ["{plain"]], @messages.codes(2).values_at("code", "candidates")
  end
end
