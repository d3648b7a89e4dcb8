# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"

# A mailbox that is full: read a part at a time, what matters first, nothing twice; and what
# concerns nobody here is kept by its head alone.
class FullMailboxTest < Minitest::Test
  include SignedIn

  Reading = SteadyMove::Desk::Mail.const_get(:MailboxReading)
  Message = Core::Post::Message
  Place = Core::Post::Place

  # A message at a number.
  def self.mail(uid, id = "m#{uid}")
    Message.new(place: Place.new(uid: uid), message_id: id, sender: "a@b.test", subject: "x")
  end

  # A mailbox whose numbers, senders and faults are known. asked: numbers in the order in which they
  # were fetched.
  class Box
    attr_accessor :validity, :breaks_at
    attr_reader :asked, :all

    def initialize(all, known)
      @all = all
      @known = known
      @validity = 7
      @asked = []
    end

    def open = yield(self)
    def uids(after: 0, from: nil) = (from ? @known : @all).select { |u| u > after }

    def each(uids)
      uids.each do |u|
        raise SteadyMove::Wire::Unreachable, "it does not answer" if @asked.size == @breaks_at

        @asked << u
        yield FullMailboxTest.mail(u) if @all.include?(u)
      end
    end
  end

  def kept(message)
    messages = world.app.messages
    if (there = messages.known(message))
      messages.moved(there, message.place)
      return false
    end

    reading = Core::Post::Reading.none("x").with(kind: "unrelated")
    messages.keep(messages.ready(Core::Post::Kept.new(message: message, reading: reading)))
    true
  end

  def reader = Reading.new(world.app, 1, senders: -> { %w[known.test] })
  def part(reader, box) = reader.read(box) { |m| kept(m) }

  def test_the_newest_then_known_senders_then_the_rest_and_nothing_twice
    box = Box.new((1..700).to_a, [3, 5, 699])
    box.breaks_at = 120
    assert_raises(SteadyMove::Wire::Unreachable) { part(reader, box) }
    assert_equal [*700.downto(651), 5, 3, 1], box.asked.first(53), "699 is among the newest"
    box.breaks_at = nil
    reading = reader # after a restart
    assert_equal 250, part(reading, box)
    assert_equal [250, 580], [reading.progress_so_far.done, reading.progress_so_far.of]
    2.times { part(reading, box) }
    assert_equal [700, 700, 700], [box.asked.size, box.asked.uniq.size, world.app.messages.count]
    refute reading.more?
    assert_equal 0, part(reading, box), "all below the last is settled"
    box.all << 701
    assert_equal [1, 701], [part(reader, box), box.asked.last]
  end

  # Numbers that begin anew (UIDVALIDITY): what is here already is known, what is new is not lost.
  def test_numbers_begin_anew
    box = Box.new((1..4).to_a, [])
    part(reader, box)
    part(reader, box)
    box.validity = 8
    other = Box.new([1, 2], [])
    other.validity = 8
    other.define_singleton_method(:each) do |uids, &b|
      uids.each { |u| b.call(FullMailboxTest.mail(u, u == 1 ? "m4" : "fresh")) }
    end
    assert_equal 1, part(reader, other)
    assert_equal 5, world.app.messages.count
    assert_equal 1, world.app.db[:messages].where(message_id: "fresh").count
  end

  NEWS =
    "From: news@shop.test\r\nMessage-ID: <news@shop.test>\r\nDate: Mon, 01 Mar 2027 07:00:00 " \
      "+0000\r\n" \
      "Subject: Garden chairs\r\n\r\nNothing of interest here.\r\n"
  KNOWN =
    "From: news@tarnbeck.example\r\nMessage-ID: <known@x>\r\nSubject: Opening hours\r\n\r\nWe " \
      "are closed.\r\n"
  LONG =
    "From: notices@elsewhere.test\r\nMessage-ID: <long@x>\r\nDate: Mon, 01 Mar 2027 07:00:00 " \
      "+0000\r\n" \
      "Subject: About isles-timetable.example\r\n\r\n#{"A line of text that goes on.\r\n" * 100}t" \
      "he end\r\n".freeze

  def arrive(*raws)
    raws.each do |raw|
      world.world.instance_variable_get(:@db)[:mail].insert(at: 0, raw: Sequel.blob(raw.b))
    end
    world.runner.post.fetch
  end

  def listed(subject)
    get("/api/post") && answer["messages"].find { |m| m["subject"].start_with?(subject) }
  end

  def test_heads_alone_until_somebody_asks_and_long_texts_when_they_are_opened
    arrive(NEWS, KNOWN, LONG)
    sign_in
    assert_includes listed("Opening")["text"], "We are closed", "whom we know is kept whole"
    news = listed("Garden")
    assert_equal ["", true], news.values_at("text", "bodiless")
    assert_nil world.app.messages.original(news["id"])
    assert_equal 200, send_to("/api/post/#{news["id"]}/body")
    assert_includes answer["text"], "Nothing of interest"
    assert_equal [false, 404],
                 [listed("Garden")["bodiless"], send_to("/api/post/#{news["id"]}/body")]
    long = listed("About")
    assert_equal [true, true], [long["longer"], long["text"].length <= 1500]
    refute_includes long["text"], "the end"
    get "/api/post/#{long["id"]}"
    assert_includes answer["text"], "the end"
    assert_equal 404, get("/api/post/99999").status
  end
end
