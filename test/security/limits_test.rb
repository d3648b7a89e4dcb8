# frozen_string_literal: true

require "timeout"
require "zlib"
require_relative "../test_helper"
require_relative "../support/held_box"
require_relative "../support/some_people"

# How much may come in, and what is done with what can't be kept as it is.
class LimitsSecurityTest < Minitest::Test
  include SomePeople

  Wire = SteadyMove::Wire
  Mail = Wire::Mail

  # Whether somebody is signed in, octets of the body, what its length is said to be => the status.
  BODIES = [
    [false, 64 * 1024, nil, 413],
    [false, 100, 10_000_000, 413],
    [false, 100, 10, 422],
    [true, 64 * 1024, nil, 422],
    [true, (2 * 1024 * 1024) + 1, nil, 413],
    [true, (2 * 1024 * 1024) - 50, nil, 422]
  ].freeze

  def test_bodies_are_limited_before_they_are_read
    BODIES.each do |signed_in, size, said, status|
      signed_in ? sign_in : take_token
      body = { name: "x" * size, to: "orlop" }.to_json
      post(
        signed_in ? "/api/moves" : "/api/sign-in",
        body,
        said ? { "CONTENT_LENGTH" => said.to_s } : {}
      )
      assert_equal [status, "application/problem+json"],
                   [last_response.status, last_response.media_type],
                   size
    end
  end

  # A limit holds by page and by token alike; whoever raises their own is refused.
  def test_a_spending_limit_binds_every_way_to_start
    sign_in
    me = id_of(ADA)
    assert_equal 200, send_to("/api/people/#{me}/limit", limit: { minor: 100, currency: "EUR" })
    assert_equal 409, send_to("/api/people/#{me}/limit", limit: nil)
    assert_match(/another administrator/, answer["detail"])
    wish = { name: "harbourpass.example", to: "orlop", price: { minor: 902, currency: "EUR" } }
    assert_equal 409, send_to("/api/moves", **wish)
    assert_match(/above your own limit of 1.00 EUR/, answer["detail"])
    send_to("/api/me/tokens", title: "nightly", role: "mover", days: 7)
    token = answer["token"]
    header "Authorization", "Bearer #{token}"
    assert_equal 409, send_to("/api/moves", **wish)
    assert_empty world.app.moves.open
  ensure
    header "Authorization", nil
  end

  # What nobody has foreseen is a problem that says what is wrong, never our own fault: [verb, path,
  # body, its type, status, a part of what is said].
  JSONS = "application/json"
  FORM = "application/x-www-form-urlencoded"
  NAME = "harbourpass.example"
  ODD = [
    [:get, "/api/tracks", nil, JSONS, 422, "ids"],
    [:get, "/api/names?q=%ff", nil, JSONS, 422, "no text"],
    [:post, "/api/second-factor/set-up", "x", "text/plain", 422, "not JSON"],
    [:post, "/api/moves", "a=%", FORM, 400, "%-encoding"],
    [:post, "/api/moves", "a[b=1&a=2&a[c]=3", FORM, 400, nil],
    [:post, "/api/moves", "--x\r\n", "multipart/form-data; boundary=x", 400, nil],
    [:post, "/api/records/#{NAME}/decide", { sets: ["x"], choice: "carry" }, JSONS, 404, "“x”"],
    [:post, "/api/records/#{NAME}/decide", { sets: ["x"], choice: nil }, JSONS, 404, "“x”"],
    [:post, "/api/moves", { name: NAME, to: "none", choice: "later" }, JSONS, 404, "no such name"],
    [:post, "/api/batches/999/start", { shown: [] }, JSONS, 404, "999"],
    [:post, "/api/batches/999/rehearse", {}, JSONS, 404, "999"],
    [
      :post,
      "/api/batches/1/start",
      { shown: [{ minor: 1, currency: "EUR" }] },
      JSONS,
      409,
      "changed since it was shown"
    ],
    [:post, "/api/batches/1/start", { shown: [] }, JSONS, 409, "changed since it was shown"]
  ].freeze

  def test_what_is_odd_is_answered_with_what_is_wrong
    sign_in
    send_to("/api/batches", names: [NAME], to: "orlop")
    ODD.each do |verb, path, body, type, *expected|
      status, says = expected
      header "Content-Type", type
      verb == :get ? get(path) : post(path, body.is_a?(Hash) ? body.to_json : body)
      assert_equal [status, "application/problem+json"],
                   [last_response.status, last_response.media_type],
                   "#{path} #{last_response.body[0, 200]}"
      assert_includes answer["detail"], says if says
    end
  end

  # A body of no said length that never ends is not read on.
  def test_an_endless_body
    endless = Object.new
    read = 0
    endless.define_singleton_method(:read) { |size = 1_000_000_000| (read += size) && ("x" * size) }
    problem =
      assert_raises(SteadyMove::Web::Problem) do
        SteadyMove::Web::Limits.read(Struct.new(:content_length, :body).new(nil, endless), 65_536)
      end
    assert_equal [413, 65_537], [problem.status, read]
  end

  # What a message holds where octets make no text => what is kept of it.
  RAW = {
    "From: \xFF\xFEbad@tarnbeck.example\r\nSubject: raw octets in From" => "raw octets in From",
    "From: a@tarnbeck.example\r\nMessage-ID: <\xC3\x28\x00@x>\r\nSubject: in Message-ID" =>
      "in Message-ID",
    "From: a@tarnbeck.example\r\nIn-Reply-To: <\xFF\x00>\r\nReferences: <\x80>\r\nSubject: in In-Reply-To" =>
      "in In-Reply-To",
    "From: a@tarnbeck.example\r\nSubject: NUL \x00 and \xFF within" => "NUL  and ? within",
    "From: a@tarnbeck.example\r\nDate: Mon, 99999999999999999999 Mar 2027 08:00:00 +0000\r\nSubject: date" =>
      "date",
    "From: a@tarnbeck.example\r\nContent-Type: text/plain; charset=\"\xFF\"\r\nSubject: charset" =>
      "charset",
    "\x00\x01\x02" => "A message that can't be read"
  }.freeze

  # One message that can't be stored as it is never stops the next; all are kept whole and sealed
  # beside the text.
  def test_mail_that_is_no_text
    raws = [
      *RAW.keys.map { |head| "#{head}\r\n\r\nThe code is \xFF\x00 here\r\n".b },
      "From: a@tarnbeck.example\r\nSubject: the last\r\n\r\nfine\r\n".b
    ]
    deliver(raws)
    kept = world.app.messages.all.sort_by(&:id)
    assert_equal(RAW.values + ["the last"], kept.map(&:subject))
    texts = kept.flat_map { |m| [m.subject, m.text, m.sender, m.message_id].compact }
    assert(texts.all? { |t| t.valid_encoding? && !t.include?("\0") })
    assert_equal(raws, kept.map { |m| world.app.messages.original(m.id) })
    refute(db[:originals].select_map(:sealed).any? { |s| s.include?("tarnbeck") })
  end

  # What not even the database takes: noted as unreadable, and the next is read.
  def test_a_message_that_the_database_does_not_take
    messages = world.app.messages
    keep = messages.method(:keep)
    messages.define_singleton_method(:keep) do |ready|
      raise Sequel::DatabaseError, "no such thing" if ready.row[:subject].include?("first")

      keep.call(ready)
    end
    deliver(
      %w[first second].map { |s| "From: a@tarnbeck.example\r\nSubject: the #{s}\r\n\r\nx\r\n" }
    )
    assert_equal(
      ["A message that can't be read", "the second"],
      world.app.messages.all.sort_by(&:id).map(&:subject)
    )
  end

  def deliver(raws)
    server = Wire::Mail::Mailbox.new({ host: "x", port: 1 })
    fetched = Struct.new(:attr)
    list =
      raws.each_with_index.map do |raw, i|
        server.send(:message, i + 1, fetched.new({ "BODY[]" => raw }))
      end
    box = HeldBox.new(list)
    world.app.define_singleton_method(:mailboxes) { { 1 => box } }
    room = SteadyMove::Desk::Mail::PostRoom.new(world.app, on_error: ->(_) {})
    room.fetch
  end

  # Codes in a subject, and links of our own, reach neither table nor journal.
  def test_codes_and_own_links_are_out_of_sight
    id = world.start("isles-timetable.example", to: "orlop")
    deliver(
      [
        "From: notices@tarnbeck.example\r\nSubject: Code of isles-timetable.example: " \
          "wX7-Kp29zQ\r\n\r\n" \
          "https://desk.example/new-password#abcdefghijklmnopqrstuvwx\r\n"
      ]
    )
    told =
      world.app.messages.all.map { |m| [m.subject, m.text] }.to_s +
        world.move(id).events.map(&:says).to_s
    assert_includes told, "Code of"
    refute_match(/wX7|abcdefghij/, told)
  end

  # Letters that a pattern without regard to case reads in two ways (“ss” is also “ß”, Unicode's
  # CaseFolding): each further pair would double the time. Nobody reads these to the end who goes
  # through all of them.
  FOLDED = %w[s ss. ff fi st- ʼn i̇ ß].freeze

  def test_letters_that_fold_into_several
    FOLDED.each do |letters|
      run = letters * 200
      [
        run,
        "#{run}.",
        "www.#{run}",
        "#{run}@",
        "approve #{run} transfer",
        "code: #{run}"
      ].each do |text|
        message =
          Mail::Eml.read(
            "From: a@tarnbeck.example\r\nSubject: #{text}\r\n\r\nis#{text}le.example\r\n"
          )
        reading =
          Timeout.timeout(60) { SteadyMove::Core::Post::Reader.read(message, held: [], known: nil) }
        refute_nil reading.kind
      end
    end
  end

  EPP = '<epp xmlns="urn:ietf:params:xml:ns:epp-1.0"><response/></epp>'
  DOCTYPE = "<!DOCTYPE epp [<!ENTITY a \"aaaa\">]>#{EPP}".freeze

  # XML => part of why it isn't read.
  XML = {
    DOCTYPE => "document type",
    "<?xml version=\"1.0\"?> \n#{DOCTYPE}" => "document type",
    "\uFEFF#{DOCTYPE}".encode("UTF-16LE") => "document type",
    "\uFEFF#{DOCTYPE}".encode("UTF-16BE") => "document type",
    "<?xml version='1.0' encoding='UTF-7'?>+ADwAIQ-DOCTYPE epp>#{EPP}" => "UTF-7",
    "<?xml version=\"1.0\" encoding=\"IBM037\"?>#{EPP}" => "IBM037",
    EPP.sub(">", "#{(1..9000).map { |i| " a#{i}='x'" }.join}>") => "tag of more than",
    EPP.sub("<response/>", "<#{"x" * 70_000}/>") => "tag of more than"
  }.freeze

  def test_epp_that_is_not_looked_into
    assert Wire::Epp::Xml.parse(
             "<?xml version='1.0' encoding='UTF-8'?>#{EPP.sub("/>", "/><!-- #{"x" * 70_000} -->")}"
           )
    XML.each do |text, says|
      refused = assert_raises(Wire::Malformed, says) { Wire::Epp::Xml.parse(text) }
      assert_includes refused.message, says
    end
  end

  # A public record that answers without end, compressed or not: reading stops at the limit.
  def test_a_public_record_without_end
    bomb = Zlib.gzip("x" * 50_000_000)
    assert_operator bomb.bytesize, :<, 100_000
    sent = 0
    answers = {
      "gzip" => ["content-encoding: gzip\r\ncontent-length: #{bomb.bytesize}\r\n\r\n", [bomb]],
      "endless" => [
        "transfer-encoding: chunked\r\n\r\n",
        Enumerator.new do |y|
          loop { y << "10000\r\n#{"x" * 65_536}\r\n".tap { |t| sent += t.bytesize } }
        end
      ]
    }
    answers.each do |what, (head, pieces)|
      serving(head, pieces) do |port|
        client =
          Wire::Rdap::Client.new(bases: { "example" => "http://127.0.0.1:#{port}/" }, timeout: 10)
        assert_raises(Wire::Malformed, what) { client.domain(domain("tide.example")) }
      end
    end
    assert_operator sent, :<, 20 * 1024 * 1024
  end

  def serving(head, pieces)
    server = TCPServer.new("127.0.0.1", 0)
    thread =
      Thread.new do
        socket = server.accept
        socket.gets("\r\n\r\n")
        socket.write("HTTP/1.1 200 OK\r\ncontent-type: application/rdap+json\r\n#{head}")
        pieces.each { |piece| socket.write(piece) }
      rescue SystemCallError, IOError
        nil
      ensure
        socket&.close
      end
    yield server.addr[1]
  ensure
    thread&.kill
    server&.close
  end
end
