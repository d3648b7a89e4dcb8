# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/by_hand"

# The registrars' counters: who gets in, what each does, what each refuses.
class CountersTest < Minitest::Test
  include ByHand

  def setup = live_with("gannet", "millrace", "fairlead", "cobble")
  def site(place) = "http://127.0.0.1:#{port}/counter/#{place}/"
  def port
    JSON.parse(File.read(File.join(world.folder, "world", "endpoints.json"))).dig("ports", "http")
  end

  def get(path, cookie: nil)
    Net::HTTP.start("127.0.0.1", port) { |h| h.get(path, cookie ? { "Cookie" => cookie } : {}) }
  end

  # place, name, act, fields => a part of what it says
  ACTS = [
    [
      "millrace",
      "slipway.example",
      "lock-off",
      {},
      "lock of slipway.example is off. The public record shows it later"
    ],
    ["millrace", "slipway.example", "lock-on", {}, "is on"],
    ["millrace", "slipway.example", "code", {}, "sent to the administrative contact"],
    ["millrace", "kelp-sound-hire.example", "code", {}, "Turn the privacy service off first"],
    ["millrace", "slipway.example", "new-code", {}, "new authorization code"],
    [
      "millrace",
      "slipway.example",
      "name-servers",
      { servers: "NS1.new.example, ns2.new.example" },
      "are ns1.new.example, ns2.new.example"
    ],
    ["millrace", "slipway.example", "name-servers", { servers: " " }, "At least one"],
    [
      "millrace",
      "slipway.example",
      "admin",
      { email: "pearl@kelp-office.example" },
      "will be pearl@kelp-office.example. It counts later"
    ],
    ["millrace", "slipway.example", "registrant", { email: "not one" }, "not an email"],
    ["millrace", "slipway.example", "release", {}, "No transfer of slipway.example"],
    ["millrace", "slipway.example", "burn", {}, "no such act"],
    ["millrace", "northskerry.example", "lock-off", {}, "not in this account"],
    ["millrace", "nobody.example", "lock-off", {}, "not known here"],
    ["millrace", "kelpsound-moorings.example", "code", {}, "administrative contact"],
    ["gannet", "northskerry.example", "code", {}, "say why"],
    ["gannet", "northskerry.example", "code", { reason: "we move" }, "sent to the registrant"],
    ["gannet", "northskerry-archive.example", "lock-off", {}, "The public record shows it later"],
    ["gannet", "northskerry-crew.example", "privacy-off", {}, "off for northskerry-crew"],
    ["fairlead", "skerry-lighthouse-walks.example", "code", {}, "Walk, the &quot;long&quot; 27"],
    ["fairlead", "kelpsound-repairs.example", "privacy-on", {}, "no privacy service here"],
    ["service-millrace", "kelp-sound-hire.example", "off", {}, "identity check first"],
    ["service-millrace", "all", "check", { number: "1" }, "not the number"],
    ["service-millrace", "kelp-sound-hire.example", "burn", {}, "no such act"]
  ].freeze

  def test_what_is_done_at_a_counter
    ACTS.each do |place, name, act, fields, part|
      assert_includes visitor.act(site(place), name, act, **fields),
                      part,
                      [place, name, act].inspect
    end
  end

  # path => [status, a part of the page]
  DOORS = {
    "/counter/millrace/" => %w[200 Password],
    "/counter/millrace/slipway.example" => %w[200 Password],
    "/counter/cobble/" => ["404", "no such counter"],
    "/counter/nowhere/" => ["404", "no such counter"],
    "/counter/service-gannet/" => ["404", "no such counter"],
    "/counter/nowhere/release/slipway.example" => ["404", "no such counter"],
    "/counter/millrace/release/%3Cscript%3E" => ["200", "Do you approve"]
  }.freeze

  def test_who_gets_in
    DOORS.each do |path, (status, part)|
      answer = get(path)
      assert_equal [status, true], [answer.code, answer.body.include?(part)], path
      refute_includes answer.body, "<script>"
      assert_match(/default-src 'none'/, answer["content-security-policy"])
    end
    wrong =
      Net::HTTP.post_form(URI("#{site("millrace")}sign-in"), login: "kelpsound", password: "wrong")
    assert_includes wrong.body, "not the right name or password"
    refute wrong["set-cookie"]
    assert_includes get("/counter/millrace/", cookie: "counter_millrace=#{"0" * 64}").body,
                    "Password"
    assert_includes visitor.read(site("millrace")), "slipway.example"
    refute_includes visitor.read(site("millrace")), "northskerry.example"
    assert_includes visitor.read(site("gannet"), "northskerry-crew.example"), "Show the contacts"
    assert_includes visitor.read(site("service-millrace")), "Send me a number"
  end

  # A letter's paragraph => what the registry shows afterwards
  LETTERS = [
    [
      "Please take the transfer lock off:",
      ->(row) { !row[:statuses].include?("clientTransferProhibited") }
    ],
    [
      "Please put the transfer lock on again:",
      ->(row) { row[:statuses].include?("clientTransferProhibited") }
    ],
    [
      "Please set these name servers (ns1.new.example; ns2.new.example):",
      ->(row) { row[:name_servers].sort == %w[ns1.new.example ns2.new.example] }
    ],
    [
      "Please correct the contact (the email of the administrative contact shall be pearl@kelp-office.example):",
      ->(row) { row[:admin] != row[:registrant] }
    ],
    [
      "Please set and send a new authorization code, since it can't be used, for:",
      ->(row) { row[:auth_info] != @code }
    ]
  ].freeze

  def test_support_does_what_a_letter_asks_for
    name = "isles-weather.example"
    @code = row(name)[:auth_info]
    LETTERS.each do |asks, holds|
      raw =
        "From: names@saltern-office.example\r\nTo: help@cobblekeel.example\r\nSubject: " \
          "Please\r\nMessage-ID: " \
          "<#{asks.hash}@x>\r\n\r\nTo you\r\n\r\n#{asks}\r\n  #{name}\r\n  " \
          "slipway.example\r\n\r\nSM-1\r\n"
      world.world.receive("names@saltern-office.example", ["help@cobblekeel.example"], raw)
      world.driver.move_on(to: world.app.now + 20_000)
      refute_empty [row(name)].select { |shown| instance_exec(shown, &holds) }, asks
    end
    world.world.receive(
      "names@saltern-office.example",
      ["help@cobblekeel.example"],
      "From: a@b.test\r\nSubject: ?\r\n\r\nHow are you?\r\n"
    )
    world.driver.move_on(to: world.app.now + 20_000)
    assert_match(/found nothing/, world.app.messages.all.first.text)
  end
end
