# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# What the registry and the people behind addresses do beside the plain transfer: contacts and their
# block, veils, holders asked by mail, mail answered, bounced or lost.
class HabitsTest < Minitest::Test
  Refusal = Practice::Refusal
  DAY = 86_400

  def setup
    @bench = BenchWorld.new(names_at: %w[gannet millrace])
    @world = @bench.world
    @registry = @world.registry
  end

  def teardown = @bench.close

  def row(name) = @registry.find(name)
  def code(&) = assert_raises(Refusal, &).code

  def request(name, auth: row(name)[:auth_info])
    @registry.request_transfer("orlop", name, auth, years: 1, at: @world.now)
  end

  def on(seconds) = @bench.driver.move_on(to: @world.now + seconds)

  def unlocked(name) = name.tap { @registry.domains.where(name: name).update(statuses: '["ok"]') }

  # who changes which contact how long ago, opting out => the result code of a request, or nil where
  # it is taken
  BLOCKS = [
    ["gannet", "nskerry-1", 0, false, 2106],
    ["gannet", "nskerry-1", 0, true, nil],
    ["gannet", "nskerry-1", (60 * DAY) - 1, false, 2106],
    ["gannet", "nskerry-1", 60 * DAY, false, nil],
    ["gannet", "ns-pier", 0, false, nil]
  ].freeze

  def test_a_registrant_change_blocks_unless_opted_out
    name = unlocked("northskerry-freight.example")
    BLOCKS.each do |client, id, ago, opted_out, expected|
      @registry.change_contact(
        "gannet",
        "nskerry-1",
        email: "names@saltern-office.example",
        at: @world.now - (300 * DAY)
      )
      @registry.change_contact(
        client,
        id,
        email: "new@saltern-office.example",
        at: @world.now - ago,
        opted_out: opted_out
      )
      next assert_equal(expected, code { request(name) }, [id, ago, opted_out].inspect) if expected

      assert_equal "pending", request(name)[:status], [id, ago, opted_out].inspect
      @registry.end_transfer("orlop", name, "cancel", at: @world.now)
    end
    assert_equal(
      2201,
      code do
        @registry.change_contact("millrace", "nskerry-1", email: "a@b.example", at: @world.now)
      end
    )
    assert_equal(
      2303,
      code { @registry.change_contact("gannet", "nobody", email: "a@b.example", at: @world.now) }
    )
  end

  def test_a_veil_hides_both_contacts_from_the_public_record
    name = "northskerry-freight.example"
    shown = -> { %i[registrant admin].map { |role| @registry.shown_email(row(name), role) } }
    assert_equal ["names@saltern-office.example"], shown.call.uniq
    @registry.veil("gannet", name, "x@screen.example", at: @world.now)
    assert_equal ["x@screen.example"], shown.call.uniq
    assert_equal(2201, code { @registry.veil("millrace", name, nil, at: @world.now) })
    @registry.veil("gannet", name, nil, at: @world.now)
    assert_equal ["names@saltern-office.example"], shown.call.uniq
  end

  def test_an_administrative_contact_of_its_own
    name = "slipway.example"
    assert_equal row(name)[:registrant], row(name)[:admin]
    id = @registry.own_admin(name)
    assert_equal [id, id], [row(name)[:admin], @registry.own_admin(name)]
    @registry.change_contact("millrace", id, email: "pearl@kelp-office.example", at: @world.now)
    assert_equal(
      %w[names@saltern-office.example pearl@kelp-office.example],
      %i[registrant admin].map { |role| @registry.shown_email(row(name), role) }
    )
  end

  # A suffix that asks by mail: neither code nor lock, twice the time, and silence is a no.
  def test_a_suffix_whose_holders_are_asked
    name = "seal-bay-trips.isl.test"
    @registry.domains.where(name: name).update(statuses: '["clientTransferProhibited"]', veil: nil)
    assert_equal([true, false], [name, "slipway.example"].map { |n| @registry.by_mail?(n) })
    asked = @world.exclusively { request(name, auth: nil) }
    assert_equal ["pending", 10 * DAY], [asked[:status], asked[:act_at] - asked[:requested_at]]
    on(400)
    assert(
      @bench.app.messages.all.any? do |m|
        m.sender == "holders@registry.example" && m.link.include?(name)
      end
    )
    on(10 * DAY)
    assert_equal %w[serverCancelled millrace],
                 [@registry.query("orlop", name)[:status], row(name)[:sponsor]]
    assert_nil @registry.pending(name)
    assert_equal(2301, code { @registry.holder_approves(name, at: @world.now) })
    @world.exclusively { request(name, auth: nil) }
    assert_equal "clientApproved", @registry.holder_approves(name, at: @world.now)[:status]
    assert_equal ["orlop", nil], row(name).values_at(:sponsor, :veil)
  end

  # recipient, after seconds => how many messages have come into the desk's mailbox
  MAIL = [
    ["names@saltern-office.example", 40, 1],
    ["pearl@kelp-office.example", 5300, 0],
    ["pearl@kelp-office.example", 5500, 1],
    ["clerk@kelp-office.example", 10 * DAY, 0],
    ["nobody@nowhere.example", 70, 1]
  ].freeze

  def test_what_becomes_of_a_letter
    raw =
      "From: names@saltern-office.example\r\nMessage-ID: <1@x>\r\nSubject: Word\r\n\r\namber\r\n"
    MAIL.each do |to, after, expected|
      box = -> { @world.post.since(0).map(&:last).grep(/Word/) }
      before = box.call.size
      @world.receive("names@saltern-office.example", [to], raw)
      @bench.link.move_to(@world.now + after)
      assert_equal expected, box.call.size - before, [to, after].inspect
      @bench.link.move_to(@world.now + (2 * DAY))
    end
    bounce =
      SteadyMove::Wire::Mail::Eml.read(@world.post.since(0).map(&:last).grep(/Undelivered/).last)
    assert_equal [%w[nobody@nowhere.example], %w[1@x]], [bounce.undelivered, bounce.answers]
  end
end
