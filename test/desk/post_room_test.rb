# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# Mail as it arrives: matched, kept with its codes out of sight, relied on or set aside.
class PostRoomTest < Minitest::Test
  NAME = "harbourpass.example"

  # A mailbox that holds what the test puts there.
  Box = Struct.new(:list) do
    def messages(after:) = list.select { |m| m.uid > after }
  end

  def setup
    @world = BenchWorld.new
    @box = Box.new([])
    @app = @world.app
    box = @box
    @app.define_singleton_method(:mailbox) { box }
    @room = SteadyMove::Desk::PostRoom.new(@app)
    @uid = 0
  end

  def teardown = @world.close

  def arrive(subject, text, from: "notices@tarnbeck.example")
    raw = "From: #{from}\r\nDate: Mon, 01 Mar 2027 08:00:00 +0000\r\nMessage-ID: <#{@uid += 1}@x>\r\nSubject: #{subject}\r\n\r\n#{text}\r\n"
    @box.list << SteadyMove::Wire::Mail::Eml.read(raw, uid: @uid)
    @room.fetch
    @app.messages.all.first
  end

  def held(name = NAME) = @app.keepings.held[name]&.last

  def test_a_code_goes_into_the_safe_and_is_seen_nowhere
    kept = arrive("Authorization code of #{NAME}", "The authorization code is:\n\n  Qx7,zz\"91k\n\nUse it within 5 days.")
    assert_equal ["code", "held", false], [kept[:kind], held, kept[:doubtful]]
    assert_includes kept[:text], "••••••••"
    everything = @app.db.tables.reject { |t| t == :codes }.map { |t| @app.db[t].all.inspect }.join
    refute_includes everything, "Qx7,zz"
    refute_includes @app.db[:codes].all.inspect, "Qx7,zz"
    assert_equal "Qx7,zz\"91k", @app.safe.open(@app.db[:codes].where(name: NAME).exclude(state: "wiped").get(:sealed))
    assert_equal "code-kept", @app.journal.of_name(NAME).last.type
    refute_includes SteadyMove::Desk::Judging.new(@app).one(NAME).verdict.findings.map(&:rule), "code-missing"
    arrive("Authorization code of #{NAME}", "A new authorization code: second99")
    assert_equal %w[wiped held], @app.db[:codes].where(name: NAME).order(:id).select_map(:state)
  end

  # what is odd => the code is not relied on, and masked all the same
  ODD = [
    ["Authorization code of #{NAME}", "The authorization code is: secret11", { from: "notices@elsewhere.test" }], ["Authorization codes", "#{NAME} and saltern-careers.example. Authorization code: secret11", {}],
    ["Authorization code of #{NAME}", "Authorization code of one: secret11\nAuthorization code of two: secret22", {}], ["Authorization code of somebody.test", "The authorization code is: secret11", {}],
    ["Authorization code of #{NAME}", "The authorization code is: secret11\nConfirm at https://evil.test/x", {}]
  ].freeze

  def test_what_is_odd_is_not_relied_on
    ODD.each do |subject, text, more|
      kept = arrive(subject, text, **more)
      assert_nil held, subject
      refute_match(/secret\d\d/, kept[:text], subject)
    end
  end

  def test_the_same_message_twice_changes_nothing
    arrive("Authorization code of #{NAME}", "The authorization code is: first123")
    before = [@app.db[:messages].count, @app.db[:events].count, @app.db[:codes].count]
    SteadyMove::Desk::PostRoom.new(@app).fetch
    @app.messages.put(@box.list.last, Core::Post::Reading.new(kind: "code", names: [], because: [], doubtful: false), nil)
    assert_equal before, [@app.db[:messages].count, @app.db[:events].count, @app.db[:codes].count]
  end

  def test_a_mailbox_that_refuses_puts_off_the_next_look_only
    @box.define_singleton_method(:messages) { |**| raise SteadyMove::Wire::Unreachable, "the mailbox is away" }
    assert_equal 0, @room.fetch
    refute @room.heard.well
    assert_equal @app.now + 300, @room.due_at
  end
end
