# frozen_string_literal: true

require_relative "bench_world"
require_relative "held_box"

# A desk whose mailbox holds what the test lets arrive.
module PostArriving
  NAME = "harbourpass.example"

  def setup
    @world = BenchWorld.new
    @box = HeldBox.new([])
    @app = @world.app
    box = @box
    @app.define_singleton_method(:mailboxes) { { 1 => box } }
    @room = SteadyMove::Desk::Mail::PostRoom.new(@app)
    @uid = 0
  end

  def teardown = @world.close

  SERVER = "post.saltern-office.example"

  # What the mailbox's own server says of a sender.
  def proof(from)
    "Authentication-Results: #{SERVER}; dmarc=pass header.from=#{from.partition("@").last}\r\n"
  end

  def arrive(subject, text, from: "notices@tarnbeck.example", proven: true)
    raw =
      "#{proof(from) if proven}From: #{from}\r\nDate: Mon, 01 Mar 2027 08:00:00 +0000\r\n" \
        "Message-ID: <#{@uid += 1}@x>\r\nSubject: " \
        "#{subject}\r\n\r\n#{text}\r\n"
    @box.list << SteadyMove::Wire::Mail::Eml.read(
      raw,
      place: SteadyMove::Core::Post::Place.new(uid: @uid)
    )
    @room.fetch
    @app.messages.all.first
  end

  def held(name = NAME) = @app.codes.held[name]&.last
end
