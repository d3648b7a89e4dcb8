# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"

# Acts by hand, letters, contacts and the post over the API: what comes back, and what each bad
# request is told.
class WebHandsTest < Minitest::Test
  include SignedIn

  def new_world = BenchWorld.new(names_at: %w[millrace cobble gannet fairlead])

  def setup
    super
    sign_in
  end

  def move(name) = world.start(name, to: "orlop").tap { world.runner.pass }
  def hands = get("/api/hands") && answer
  def item(step) = hands["places"].flat_map { |p| p["items"] }.find { |i| i["step"] == step }
  def codes_in(text)
    world.world.registry.domains.select_map(:auth_info).select { |c| text.include?(c) }
  end

  def test_said_and_looked_for
    id = move("slipway.example")
    assert_equal ["Millrace Registrations", "kelpsound"],
                 hands["places"].first.values_at("title", "login")
    assert_equal(
      [id, false, "page"],
      item("unlock").then { |i| [i["move"], i["letter"], i["hand"]["way"]] }
    )
    assert_equal 200, send_to("/api/hands/said", steps: [{ move: id, step: "unlock" }])
    refute_nil item("unlock")["said_at"]
    get "/api/moves/#{id}"
    steps = answer["steps"].to_h { |s| [s["id"], s] }
    assert_equal [true, "page", true],
                 [
                   steps["unlock"]["by_hand"],
                   steps["unlock"]["way"],
                   steps["unlock"]["said_at"] == item("unlock")["said_at"]
                 ]
    assert_nil steps["order"]["hand"], "only what can be done now is told"
    assert_equal 200, send_to("/api/hands/unsaid", steps: [{ move: id, step: "unlock" }])
    assert_nil item("unlock")["said_at"]
  end

  # What a place said stays until the act is done, or said to be.
  def test_a_place_that_refuses_an_act
    id = move("slipway.example")
    refusal = { move: id, step: "unlock", words: "Our office has to agree first." }
    send_to("/api/hands/said", steps: [refusal.slice(:move, :step)])
    assert_equal 200, send_to("/api/hands/step-refused", **refusal)
    stuck = [nil, "stuck", true]
    seen =
      lambda do
        item("unlock").then { |i| [i["said_at"], i["phase"], i["says"].include?("office")] }
      end
    assert_equal stuck, seen.call
    refute_nil item("unlock")["hand"]["mailto"], "the way on: its support"
    3.times { world.driver.move_on }
    assert_equal stuck, seen.call, "looked at again, and nothing changed"
    assert_equal 200, send_to("/api/hands/said", steps: [refusal.slice(:move, :step)])
    world.runner.pass
    refute_equal "stuck", item("unlock")["phase"]
    assert_equal 200, send_to("/api/hands/step-refused", **refusal)
    site = world.app.accounts.find("millrace").habits["site"]
    Practice::DeskSide::Visitor.new(world.world.scenario).act(site, "slipway.example", "lock-off")
    world.until_true(what: "the proof") { world.move(id).state.done?("unlock") }
  end

  # Two at the same counter see each other; what was proven is told, and nothing before it was.
  def test_a_visit
    id = move("slipway.example")
    assert_equal({ "others" => [], "proven" => [] }, get("/api/visits/millrace") && answer)
    send_to("/api/hands/said", steps: [{ move: id, step: "unlock" }])
    assert_empty get("/api/visits/millrace") && answer["proven"]
    site = world.app.accounts.find("millrace").habits["site"]
    Practice::DeskSide::Visitor.new(world.world.scenario).act(site, "slipway.example", "lock-off")
    world.until_true(what: "the proof") { world.move(id).state.done?("unlock") }
    proven = (get("/api/visits/millrace") && answer)["proven"]
    assert_equal([[id, "unlock"]], proven.map { |p| p.values_at("move", "step") })
    assert_empty (get("/api/visits/orlop") && answer)["proven"]
    @house.people.put("ben@saltern-office.example", "low-tide-mover", role: "mover")
    sign_in("ben@saltern-office.example", "low-tide-mover")
    others = (get("/api/visits/millrace") && answer)["others"]
    assert_equal [Practice::DeskSide::Desk::EMAIL], others
  end

  # path, body => status, a part of the sentence
  BAD = [
    ["/api/hands/said", { steps: [] }, 422, "steps"],
    ["/api/hands/said", { steps: [{ move: 99, step: "unlock" }] }, 409, "no move number 99"],
    ["/api/hands/said", { steps: [{ move: 1, step: "order" }] }, 409, "does not wait for that"],
    ["/api/hands/step-refused", { move: 1, step: "unlock", words: "  " }, 422, "which words"],
    ["/api/hands/step-refused", { move: 1, step: "order", words: "no" }, 409, "not wait for that"],
    [
      "/api/hands/consent",
      { moves: [1], given_by: "P", until: "2027-03-09T00:00:00Z" },
      422,
      "given_by"
    ],
    ["/api/hands/consent", { moves: [1], given_by: "Pearl", until: "tomorrow" }, 422, "until"],
    [
      "/api/hands/consent",
      { moves: [1], given_by: "Pearl", until: "2027-03-09T00:00:00Z" },
      409,
      "does not wait for that"
    ],
    ["/api/hands/new-code", { move: 99 }, 409, "no move number 99"],
    ["/api/hands/code", { name: "nobody.example", code: "abc123" }, 404, "not on the list"],
    ["/api/hands/code", { name: "slipway.example", code: "" }, 422, "code"],
    ["/api/letters/draft", { account: "nowhere" }, 422, "no account"],
    ["/api/letters/draft", { account: "gannet" }, 409, "Nothing waits"],
    ["/api/letters/draft", { reminds: 99 }, 404, "no email number 99"],
    ["/api/letters", { account: "cobble", how: "pigeon" }, 422, "how"],
    ["/api/letters", { account: "cobble", how: "smtp", reference: "x" }, 422, "reference"],
    ["/api/batches", { names: ["slipway.example"], to: "nowhere" }, 422, "no account"],
    [
      "/api/batches",
      { names: ["slipway.example"], to: "orlop", host: "nowhere" },
      422,
      "no DNS host"
    ],
    ["/api/batches", { names: [], to: "orlop" }, 422, "names"],
    ["/api/post/1/correct", { kind: "gossip", names: [] }, 422, "kind"],
    ["/api/post/999/correct", { kind: "offer", names: [] }, 404, "no message number 999"],
    ["/api/names/kelpsound.example/contacts/prove", { role: "friend" }, 422, "role"],
    [
      "/api/names/kelpsound.example/contacts/repair",
      { choice: "burn", email: "a@b.example" },
      422,
      "not one of the choices"
    ],
    [
      "/api/names/kelpsound.example/contacts/repair",
      { choice: "admin", email: "a at b" },
      422,
      "not an email"
    ],
    ["/api/names/nobody.example/contacts/prove", { role: "admin" }, 404, "not on the list"]
  ].freeze

  def test_bad_requests_are_told_what_is_wrong
    move("slipway.example")
    BAD.each do |path, body, status, says|
      assert_equal [status, true],
                   [send_to(path, **body), answer["detail"].to_s.include?(says)],
                   "#{path} #{body}: #{last_response.body[0, 200]}"
    end
  end

  def test_one_consent_for_all
    ids = %w[kelp-sound-hire.example northskerry-crew.example].map { |n| move(n) }
    due = hands["consents"]
    assert_equal [ids, true],
                 [due["moves"].map { |m| m["id"] }, due["shown"].include?("email address")]
    assert_equal 200,
                 send_to(
                   "/api/hands/consent",
                   moves: ids,
                   given_by: "Pearl Strand",
                   until: "2027-03-09T23:59:59Z"
                 )
    world.runner.pass
    assert_nil hands["consents"]
    get "/api/moves/#{ids.first}"
    assert_equal ["Pearl Strand", "2027-03-09T23:59:59Z"],
                 answer["consent"].values_at("given_by", "until")
  end

  # A draft is looked at, changed and sent; what is sent is what was looked at.
  def test_a_letter_is_drafted_and_sent
    %w[saltern-harbour.example isles-weather.example].each { |n| move(n) }
    assert_equal(
      %w[saltern-harbour.example isles-weather.example],
      hands["places"].find { |p| p["id"] == "cobble" }["letter_for"]
    )
    send_to("/api/letters/draft", account: "cobble")
    draft = answer
    assert_empty codes_in(draft.values.join), "no secret"
    assert draft["mailto"].start_with?("mailto:help@cobblekeel.example?subject=Unlock%202%20names")
    text = "#{draft["text"]}\nPlease hurry.\n"
    assert_equal 200,
                 send_to(
                   "/api/letters",
                   account: "cobble",
                   how: "smtp",
                   text: text,
                   reference: draft["reference"],
                   message_id: draft["message_id"]
                 )
    sent = answer["letters"].first
    assert_equal ["sent", "smtp", draft["subject"]], sent.values_at("state", "how", "subject")
    assert_equal draft["message_id"], world.app.db[:letters].get(:message_id)
    assert_empty answer["places"].find { |p| p["id"] == "cobble" }["letter_for"]
    assert_equal 409, send_to("/api/letters", account: "cobble", how: "smtp")
  end

  # Cut off while it was sent: nobody knows whether it left, so a person looks; what did not leave
  # waits to be written.
  def test_a_letter_of_which_nobody_knows_whether_it_left
    move("isles-weather.example")
    letters = SteadyMove::Desk::Letters::LetterWriter.new(world.app)
    world.app.sender.define_singleton_method(:deliver) { |*, **| raise Interrupt }
    assert_raises(Interrupt) do
      letters.send(letters.draft("cobble", by: "ada"), account_id: "cobble", by: "ada", how: "smtp")
    end
    world.app.sender.singleton_class.remove_method(:deliver)
    assert_equal(["intended"], hands["letters"].map { |l| l["state"] })
    assert_equal 200, send_to("/api/letters/#{world.app.db[:letters].get(:id)}/left", left: false)
    assert_equal [[], %w[isles-weather.example]],
                 [hands["letters"], hands["places"].find { |p| p["id"] == "cobble" }["letter_for"]]
    assert_equal 200, send_to("/api/letters", account: "cobble", how: "smtp")
    id = hands["letters"].first["id"]
    assert_equal 422, send_to("/api/letters/#{id}/left", left: true), "it is known that it left"
  end

  def test_a_code_is_pasted_and_taken
    id = move("isles-weather.example")
    code = world.world.registry.find("isles-weather.example")[:auth_info]
    assert_equal [200, true],
                 [
                   send_to("/api/hands/code", name: "isles-weather.example", code: code),
                   answer["says"].is_a?(Array)
                 ]
    world.runner.pass
    assert world.move(id).state.done?("ask-code")
    assert_equal 200, send_to("/api/hands/code", name: "slipway.example", code: " 1l0O")
    assert_equal 3, answer["says"].size, "a blank, too short, look-alikes"
    refute_includes @log.string, code
  end

  def test_contacts_on_the_sheet
    get "/api/names/kelpsound.example"
    cards, choices = answer["contacts"].values_at("cards", "choices")
    assert_equal(
      [["registrant", "bounced", true], ["admin", nil, false]],
      cards.map { |c| c.values_at("role", "mailbox", "on_name") }
    )
    assert_equal(
      [["read", true, nil], ["admin", true, "admin"], ["after", false, nil]],
      choices.map { |c| c.values_at("id", "possible", "changes") }
    )
    assert_equal 200, send_to("/api/names/kelpsound.example/contacts/prove", role: "admin")
    assert_nil answer["word"], "a word that was sent is shown to nobody"
    assert_equal 200,
                 send_to(
                   "/api/names/kelpsound.example/contacts/repair",
                   choice: "admin",
                   email: "pearl@kelp-office.example"
                 )
    assert_equal [false, "Millrace Registrations", nil],
                 [answer["done"], answer["hand"]["title"], answer["mailto"]]
    assert_equal 200,
                 send_to(
                   "/api/names/saltern-harbour.example/contacts/repair",
                   choice: "registrant",
                   email: "a@b.example"
                 )
    assert answer["mailto"].start_with?("mailto:help@cobblekeel.example")
  end

  def drop(raw)
    header "Content-Type", "message/rfc822"
    post "/api/post/dropped", raw
    header "Content-Type", "application/json"
    last_response.status
  end

  RAW =
    "From: a@b.test\r\nMessage-ID: <1@b>\r\nSubject: Sorry to see you go\r\n\r\nStay with us, " \
      "slipway.example\r\n"

  def test_messages_dropped_in_and_put_right
    assert_equal 200, drop(RAW)
    assert_equal(["offer", nil], answer["messages"].first.values_at("kind", "corrected_by"))
    id = answer["messages"].first["id"]
    assert_equal [409, true], [drop(RAW), answer["detail"].include?("already")]
    assert_equal [422, true], [drop("nothing"), answer["detail"].include?("From")]
    assert_equal [413, true],
                 [
                   drop("From: a@b.test\r\n\r\n#{"x" * (33 * 1024 * 1024)}"),
                   answer["detail"].include?("32 MB")
                 ]
    assert_equal 200,
                 send_to("/api/post/#{id}/correct", kind: "receipt", names: ["slipway.example"])
    assert_equal(
      ["receipt", %w[slipway.example], Practice::DeskSide::Desk::EMAIL],
      answer["messages"].first.values_at("kind", "names", "corrected_by")
    )
  end

  # What an administrator writes down about an account is what the desk goes by.
  def test_habits_are_kept
    body = {
      title: "Quern Names",
      registrar: "Quern Names",
      kind: "by_hand",
      habits: {
        ways: {
          code: "letter",
          release: "link"
        },
        support: "help@quern.example",
        site: "https://quern.example/",
        login: "ada",
        code_takes: [60, 600, 3600],
        opt_out: true,
        privacy_service: {
          title: "Hood",
          identity: true,
          writes_from: "hood.example"
        }
      }
    }
    assert_equal 201, send_to("/api/accounts", **body)
    id = answer["id"]
    account = world.app.accounts.find(id)
    assert_equal %w[page letter link Hood],
                 [
                   account.ways["unlock"],
                   account.ways["code"],
                   account.ways["release"],
                   account.privacy_service["title"]
                 ]
    get "/api/accounts"
    shown = answer["accounts"].find { |a| a["id"] == id }
    assert_equal %w[letter https://quern.example/ help@quern.example Hood],
                 [shown["ways"]["code"], *shown.values_at("site", "support", "privacy_service")]
    [
      { ways: { code: "smoke" } },
      { support: "nobody" },
      { site: "javascript:alert(1)" },
      { code_takes: [1] },
      *["(", "\\A(a|aa)+\\z", "6-64 abc", "6-64  a", "64", "6-64 a-"].map do |p|
        { takes_codes: p }
      end,
      { privacy_service: { title: "" } }
    ].each do |habits|
      assert_equal [422, true],
                   [
                     send_to("/api/accounts", **body, habits: habits),
                     answer["detail"].start_with?("habits")
                   ],
                   habits.inspect
    end
  end

  # key, value => status, a part of what is told
  SETTINGS = [
    [
      "outgoing",
      {
        host: "mail.example",
        port: 587,
        from: "a@b.example",
        tls: "starttls",
        login: "x",
        password: "secret-word"
      },
      200,
      nil
    ],
    ["outgoing", { host: "mail.example", port: 587 }, 422, "from"],
    ["outgoing", { host: "mail.example", port: 0, from: "a@b.example" }, 422, "port"],
    ["registries", { "registry.example" => "yes" }, 200, nil],
    ["registries", { "not a domain" => "yes" }, 422, "not a domain"],
    ["outgoing", nil, 200, nil]
  ].freeze

  def test_where_mail_goes_out
    SETTINGS.each do |key, value, status, part|
      assert_equal status, send_to("/api/settings", key: key, value: value), [key, value].inspect
      if part
        assert_includes(answer["detail"], part)
      else
        refute_includes(last_response.body, "secret-word")
      end
    end
  end
end
