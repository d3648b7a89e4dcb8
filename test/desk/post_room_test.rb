# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/post_arriving"

# Mail as it arrives: matched, kept with its codes out of sight, relied on or set aside.
class PostRoomTest < Minitest::Test
  include PostArriving

  def test_a_code_goes_into_the_safe_and_is_seen_nowhere
    kept =
      arrive(
        "Authorization code of #{NAME}",
        "The authorization code is:\n\n  Qx7,zz\"91k\n\nUse it within 5 days."
      )
    assert_equal ["code", "held", false], [kept.kind, held, kept.doubtful?]
    assert_includes kept.text, "••••••••"
    everything = @app.db.tables.reject { |t| t == :codes }.map { |t| @app.db[t].all.inspect }.join
    refute_includes everything, "Qx7,zz"
    refute_includes @app.db[:codes].all.inspect, "Qx7,zz"
    assert_equal "Qx7,zz\"91k",
                 @app.safe.open(
                   @app.db[:codes].where(name: NAME).exclude(state: "wiped").get(:sealed)
                 )
    assert_equal "code-kept", @app.journal.page(name: NAME).first.type
    refute_includes SteadyMove::Desk::Portfolio::Judging
                      .new(@app)
                      .one(NAME)
                      .verdict
                      .findings
                      .map(&:rule),
                    "code-missing"
  end

  def states = @app.db[:codes].where(name: NAME).order(:id).select_map(:state)
  def code_arrives(code) = arrive("Code of #{NAME}", "The authorization code is: #{code}")

  # A code that is past its life, or that the registry rejected, stands in no other's way: (age in
  # days, state, the same again?) => how many live, how many wait for a choice, is it young?
  OLDER = [
    [29, "held", false, [1, 1, false]],
    [31, "held", false, [1, 0, true]],
    [31, "checked", false, [1, 0, true]],
    [1, "rejected", false, [1, 0, true]],
    [29, "held", true, [1, 0, false]],
    [31, "held", true, [1, 0, true]],
    [2, "rejected", true, [1, 0, false]]
  ].freeze

  def test_a_code_past_its_life_gives_way
    thirty = SimpleDelegator.new(@app.rulebook)
    thirty.define_singleton_method(:code_life) { |_| 30 * 86_400 }
    @app.define_singleton_method(:rulebook) { thirty }
    OLDER.each do |days, state, same, expected|
      @app.codes.wipe(NAME)
      code = "older#{days}#{state}#{same}"
      @app.codes.keep(NAME, code, at: @app.now - (days * 86_400), state: state)
      code_arrives(same ? code : "#{code}x")
      live = @app.codes.all_live.select { |r| r[:name] == NAME }
      young = live.first[:received_at] >= @app.now.to_i - 86_400
      got = [live.size, @app.codes.proposed(NAME).size, young]
      assert_equal expected, got, [days, state, same].inspect
    end
  end

  # No mail replaces or wipes a code that is held and differs; a person chooses, or the registry.
  def test_a_later_code_is_kept_beside_the_one_that_is_held
    safe = SteadyMove::Desk::Accounts::CodeSafe.new(@app)
    code_arrives("first123")
    code_arrives("first123")
    assert_equal [%w[held], []], [states, safe.choices]
    code_arrives("second99")
    code_arrives("third777")
    assert_equal [%w[held wiped proposed], "first123"], [states, @app.codes.newest(NAME)]
    told = safe.choices.map { |c| [c.name, c.sent_by] }
    assert_equal [[NAME, "notices@tarnbeck.example"]], told
    assert_includes @app.journal.page(name: NAME).first.says, "Both are kept"
    safe.choose(NAME, later: false, by: "ada")
    assert_equal ["first123", []], [@app.codes.newest(NAME), safe.choices]
    code_arrives("fourth55")
    safe.choose(NAME, later: true, by: "ada")
    assert_equal ["fourth55", []], [@app.codes.newest(NAME), safe.choices]
    assert_raises(SteadyMove::Desk::Refused) { safe.choose(NAME, later: true, by: "ada") }
    @app.codes.mark(NAME, "rejected")
    code_arrives("fifth555")
    assert_equal "fifth555", @app.codes.newest(NAME), "the registry has said of the one before"
    code_arrives("sixth666")
    @app.codes.wipe(NAME)
    assert_equal ["wiped"], states.uniq
  end

  # what is odd => the code is not relied on, and masked all the same
  ODD = [
    [
      "Authorization code of #{NAME}",
      "The authorization code is: secret11",
      { from: "notices@elsewhere.test" }
    ],
    [
      "Authorization code of #{NAME}",
      "The authorization code is: secret11",
      { from: "no-answer@gannetstreet.example" }
    ],
    [
      "Authorization codes",
      "#{NAME} and saltern-careers.example. Authorization code: secret11",
      {}
    ],
    [
      "Authorization code of #{NAME}",
      "Authorization code of one: secret11\nAuthorization code of two: secret22",
      {}
    ],
    ["Authorization code of somebody.test", "The authorization code is: secret11", {}],
    [
      "Authorization code of #{NAME}",
      "The authorization code is: secret11\nConfirm at https://evil.test/x",
      {}
    ]
  ].freeze

  def test_what_is_odd_is_not_relied_on
    ODD.each do |subject, text, more|
      kept = arrive(subject, text, **more)
      assert_nil held, subject
      refute_match(/secret\d\d/, kept.text, subject)
    end
  end

  def test_the_same_message_twice_changes_nothing
    arrive("Authorization code of #{NAME}", "The authorization code is: first123")
    before = [@app.db[:messages].count, @app.db[:events].count, @app.db[:codes].count]
    SteadyMove::Desk::Mail::PostRoom.new(@app).fetch
    place = Core::Post::Place.new(mailbox: 1, uidvalidity: 1, uid: @uid)
    refute @room.take(@box.list.last.at_place(place))
    assert_equal before, [@app.db[:messages].count, @app.db[:events].count, @app.db[:codes].count]
  end

  RAW =
    "From: notices@elsewhere.test\r\nMessage-ID: <9@y>\r\nDate: Mon, 01 Mar 2027 08:00:00 " \
      "+0000\r\nSubject: " \
      "Authorization code of #{NAME}\r\n\r\nThe authorization code is: secret11\r\n".freeze

  # what is dropped in => refused with
  BAD_FILES = {
    "" => /empty/,
    "no head at all" => /no mail message/,
    "Subject: x\r\n\r\ny" => /no From field/
  }.freeze

  def test_a_message_dropped_in_as_a_file
    assert @room.drop(RAW, by: "ada")
    refute @room.drop(RAW, by: "ada"), "the same message twice"
    assert_equal [1, true, nil],
                 [
                   @app.messages.all.size,
                   @app.messages.all.first.doubtful?,
                   @app.messages.all.first.place
                 ]
    assert_empty @app.messages.numbers(1, 1), "the mailbox is read from its beginning all the same"
    BAD_FILES.each do |raw, says|
      assert_match(
        says,
        assert_raises(SteadyMove::Desk::Refused) { @room.drop(raw, by: "ada") }.message
      )
    end
    assert @room.drop(RAW.sub("<9@y>", "<10@y>"), by: "ada")
    assert_equal 2, @app.messages.all.size
  end

  # A doubt that a person lifts: then the code counts, and the sender's like are taken so from then
  # on.
  def test_a_wrong_match_is_put_right_and_remembered
    id = @room.drop(RAW, by: "ada")
    replies = SteadyMove::Desk::Mail::Replies.new(@app)
    assert_nil held
    refute_includes @app.db[:messages].get(:sealed_code).to_s, "secret11"
    assert_raises(SteadyMove::Desk::Refused) do
      replies.correct(id, kind: "code", names: ["nobody.example"], by: "ada")
    end
    assert_raises(SteadyMove::Desk::Refused) do
      replies.correct(99, kind: "code", names: [NAME], by: "ada")
    end
    replies.correct(id, kind: "code", names: [NAME], by: "ada", trust: true)
    assert_equal ["held", false, "ada"],
                 [held, @app.messages.find(id).doubtful?, @app.messages.find(id).corrected_by]
    assert_equal "secret11", @app.codes.newest(NAME)
    assert_nil @app.db[:messages].get(:sealed_code), "taken once"
    replies.correct(id, kind: "offer", names: [], by: "ada")
    again = ["Authorization code of #{NAME}", "Buy one, get one. Authorization code inside"]
    doubtful = arrive(*again, from: "Notices@Elsewhere.test")
    assert_equal %w[code doubtful], [doubtful.kind, doubtful.trust], "anybody can write that name"
    replies.correct(arrive(*again).id, kind: "offer", names: [], by: "ada")
    kept = arrive(*again)
    assert_equal %w[offer code], [kept.kind, kept.read_kind]
    assert_includes kept.because.join(" "), "put right by ada"
    other = arrive("Receipt for #{NAME}", "Payment received", from: "notices@elsewhere.test")
    assert_equal "receipt", other.kind, "what reads otherwise is taken as it reads"
  end

  # What nobody foresaw in one message: it is kept as what it is, and the next ones are read.
  def test_one_message_that_breaks_the_reader
    errors = []
    @room = SteadyMove::Desk::Mail::PostRoom.new(@app, on_error: errors.method(:<<))
    said = @app.letters.method(:answered_by)
    @app
      .letters
      .define_singleton_method(:answered_by) do |ids, text|
        text.include?("breaks") ? raise(KeyError, "nobody foresaw this") : said.call(ids, text)
      end
    kept = arrive("This breaks it", "indeed")
    assert_equal ["read-it-yourself", true, 1], [kept.kind, kept.doubtful?, errors.size]
    assert_includes kept.because.first, "KeyError"
    assert_equal "code",
                 arrive("Authorization code of #{NAME}", "The authorization code is: first123").kind
  end

  # Somebody else who knows the reference of a letter answers nothing with it.
  def test_a_forged_answer
    id, =
      SteadyMove::Desk::Letters::LetterWriter.new(@app).prove(
        "clerk@kelp-office.example",
        names: [NAME],
        steps: [],
        by: "ada"
      )
    letter = @app.letters.find(id)
    dropped =
      @room.drop(
        "From: x@forged.test\r\nMessage-ID: <12@y>\r\nIn-Reply-To: <#{letter[:message_id]}>\r\n" \
          "Subject: The " \
          "transfer lock of #{NAME}\r\n\r\nIt was removed. #{letter[:reference]}\r\n",
        by: "ada"
      )
    assert_equal ["sent", true],
                 [@app.letters.find(id)[:state], @app.messages.find(dropped).doubtful?]
    assert_equal id, @app.messages.find(dropped).letter_id
  end

  # The next message of a thread follows the one that was put right.
  def test_a_thread_keeps_the_name_that_it_was_given
    first =
      @room.drop(
        RAW.sub(/Subject.*/m, "Subject: About your request\r\n\r\nWe look into it.\r\n"),
        by: "ada"
      )
    SteadyMove::Desk::Mail::Replies.new(@app).correct(
      first,
      kind: "unrelated",
      names: [NAME],
      by: "ada"
    )
    second =
      @room.drop(
        "From: x@y.test\r\nMessage-ID: <11@y>\r\nIn-Reply-To: <9@y>\r\nSubject: Re: About your " \
          "request\r\n\r\nDone.\r\n",
        by: "ada"
      )
    assert_equal [NAME], @app.messages.find(second).names
  end

  def test_a_mailbox_that_refuses_puts_off_the_next_look_only
    @box.define_singleton_method(:open) do
      raise SteadyMove::Wire::Unreachable, "the mailbox is away"
    end
    assert_equal 0, @room.fetch
    refute @app.heard["mailbox 1"].well
    assert_equal @app.now + 300, @room.due_at
  end

  # How the message that the desk sent itself arrives => what is found out of the server.
  TRIALS = {
    ->(raw) { raw.sub(/^Authentication-Results:.*\r?\n/, "") } => "strips",
    ->(raw) { "Received: from x by #{SERVER}; now\r\n#{raw}" } => "ignored",
    ->(raw) { raw } => "believed"
  }.freeze

  def test_the_desk_tries_whether_the_mailbox_s_server_strips_what_others_wrote
    trial = SteadyMove::Desk::Mail::MailboxTrial.new(@app)
    TRIALS.each do |way, found|
      sent = []
      @app.sender.define_singleton_method(:deliver) { |raw, to:| sent << [raw, to] }
      trial.start(1)
      raw, to = sent.first
      assert_equal [[@app.inboxes.find(1).endpoint[:login]], nil], [to, @app.inboxes.find(1).found]
      @box.list << SteadyMove::Wire::Mail::Eml.read(
        way.call(raw),
        place: Core::Post::Place.new(uid: @uid += 1)
      )
      @room.fetch
      assert_equal [found, 0], [@app.inboxes.find(1).found, @app.messages.count]
    end
    assert_equal "unproven", arrive("Code of #{NAME}", "The authorization code is: first123").trust
    @app.inboxes.change(1, ids: [])
    assert_raises(SteadyMove::Desk::Refused) { trial.start(1) }
  end
end
