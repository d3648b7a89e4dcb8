# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"
require "csv"
require "open3"

# A move's end: the ledger with its receipts, what is left at the old account, the closing report as
# a page, a table and a PDF that poppler (Debian's poppler-utils) opens.
class WebClosingTest < Minitest::Test
  include SignedIn

  NAME = "isles-timetable.example"

  def setup
    super
    sign_in
    id, =
      SteadyMove::Desk::Batches::BatchCommands.new(world.app).make(
        [NAME],
        by: ME,
        to: "orlop",
        trial: false,
        title: "Čtvrtek"
      )
    @batch = id
    review =
      SteadyMove::Desk::Batches::BatchReview.new(world.app).review(world.app.batches.find(id))
    SteadyMove::Desk::Batches::BatchCommands.new(world.app).start(id, by: ME, shown: review.total)
    world.runner.pass
    @id = world.app.moves.open.first.id
  end

  ME = "ada@saltern-office.example"

  def finish
    world.until_true(most: 300, what: "the release") do
      world.move(@id).state.with_trait(:approval).active?
    end
    world.orders.approve(@id, by: ME)
    world.until_true(most: 300, what: "the end") { !world.move(@id).open }
  end

  def asked(path)
    get path
    assert_equal 200, last_response.status, last_response.body[0, 300]
    last_response.media_type == "application/json" ? answer : last_response.body
  end

  # What a registrar's receipt says is in the ledger, and what does not fit is asked about.
  def receipt(sum, number: 7001)
    from = "billing@#{world.app.accounts.find("orlop").sender_domains.first}"
    message =
      SteadyMove::Core::Post::Message.new(
        sender: from,
        at: world.app.now,
        subject: "Your receipt",
        text: "Order O-#{number}: transfer of #{NAME}\nTotal: #{sum} EUR",
        results: []
      )
    reading =
      SteadyMove::Core::Post::Reading.new(
        kind: "receipt",
        names: [NAME],
        trust: "proven",
        because: []
      )
    found = SteadyMove::Core::Post::Sums.find(message.text)
    kept =
      SteadyMove::Core::Post::Kept.new(
        message: message,
        reading: reading,
        move_id: @id,
        facts: {
          "sum" => {
            **found.amount.to_h,
            number: found.number
          }
        }
      )
    world.app.messages.keep(world.app.messages.ready(kept))
  end

  # What is left at the old account stands as tasks under "By hand", and is said to be done for all,
  # or for none.
  def test_what_is_left_is_settled_in_bulk
    finish
    place = asked("/api/hands")["leavings"].first
    assert_equal ["Tarnbeck Names", %w[auto_renew contacts subscriptions]],
                 [place["title"], place["kinds"].map { |k| k["key"] }]
    assert_includes place["list"], "Turn auto-renew off:\n  #{NAME}\n"
    assert_nil place["mailto"], "no address of its support is known"
    world.app.accounts.keep_habits(
      world.app.accounts.find("tarnbeck"),
      "support" => "care@tarnbeck.example"
    )
    assert_match(
      /\Amailto:care@tarnbeck.example\?.*#{NAME}/,
      asked("/api/hands")["leavings"].first["mailto"]
    )
    bulk = ->(moves, key) do
      send_to("/api/hands/leavings", moves: moves, key: key, state: "cancelled")
    end
    assert_equal 404, bulk.call([@id, 99], "auto_renew")
    assert_includes asked("/api/hands")["leavings"].first["kinds"].map { |k| k["key"] },
                    "auto_renew",
                    "all or none"
    %w[auto_renew contacts subscriptions].each { |key| assert_equal 200, bulk.call([@id], key) }
    assert_empty asked("/api/hands")["leavings"]
    assert_equal(3, world.move(@id).events.count { |e| e.type == "left-behind" })
  end

  # Of a name that never left, nothing can be left behind.
  def test_a_move_that_was_called_off_leaves_no_old_account
    world.orders.call_off(@id, by: ME)
    world.until_true(most: 100, what: "the end") { !world.move(@id).open }
    text = asked("/api/closing/move/#{@id}/page").to_s
    assert_includes text, "was not seen to leave Tarnbeck Names"
    refute_includes text, "Nothing is left"
  end

  def test_the_ledger_of_a_move
    line = asked("/api/ledger")["lines"].first
    assert_equal [902, false, 0], [line["quoted"]["minor"], line["charged"], line["lost_days"]]
    finish
    assert_equal 902, asked("/api/ledger")["lines"].first["spent"]["minor"], "as ordered"
    receipt("9.50")
    page = asked("/api/ledger?batch=#{@batch}")
    assert_equal([950, true], page["lines"].first.then { |l| [l["spent"]["minor"], l["charged"]] })
    difference = page["differences"].first
    assert_match(/charged 9.50 EUR; 9.02 EUR was quoted/, difference["says"])
    assert_equal 422, send_to("/api/ledger/settle", key: difference["key"], reason: " ")
    assert_equal 200,
                 send_to(
                   "/api/ledger/settle",
                   key: difference["key"],
                   reason: "The price rose; we pay it."
                 )
    assert_empty answer["differences"]
    assert_equal 200,
                 send_to(
                   "/api/ledger",
                   kind: "refund",
                   moves: [@id],
                   account: "orlop",
                   amount: {
                     minor: 48,
                     currency: "EUR"
                   }
                 )
    assert_equal 902, answer["lines"].first["spent"]["minor"]
    by = answer["sums"].to_h { |s| [s["by"], [s["title"], s["spent"].first["minor"]]] }
    assert_equal(
      {
        "all" => [nil, 902],
        "account" => ["Orlop Domain Desk", 902],
        "batch" => ["Čtvrtek", 902],
        "year" => ["2027", 902]
      },
      by
    )
    rows = CSV.parse(asked("/api/ledger.csv"), headers: true)
    assert_equal %w[receipt 9.50 EUR O-7001 mail],
                 rows
                   .find { |r| r["kind"] == "receipt" }
                   .values_at("kind", "amount", "currency", "order_number", "source")
    assert_empty asked("/api/ledger?year=2026")["lines"]
  end

  # A client's month: what landed and what that saved, what is under way, what expires next; of
  # nobody else's names. A month is over at its end, in UTC.
  def test_the_report_of_a_clients_month
    assert_equal 200, send_to("/api/names/#{NAME}/note", key: "client", value: "Lanternroom")
    here = "month=2027-03&client=Lanternroom"
    before = asked("/api/month-report?#{here}")
    assert_match(/No name arrived.*Under way on.*#{NAME}, from Tarnbeck Names to Orlop/m, before)
    finish
    page = asked("/api/month-report?#{here}")
    assert_match(/1 move. Spent: 9\.02 EUR\. Saved against staying a year: 5\.98 EUR/, page)
    assert_match(/#{NAME} went from Tarnbeck Names to Orlop Domain Desk/, page)
    assert_match(/No move is under way.*No name that stays where it is was seen to expire/m, page)
    assert_match(/<title>March 2027</, asked("/api/month-report?month=2027-03"))
    refute_includes asked("/api/month-report?month=2027-04&client=Lanternroom"), "#{NAME} went"
    rows = CSV.parse(asked("/api/month-report.csv?#{here}"), headers: true)
    table = rows.map { |r| r.values_at("name", "client", "spent") }
    assert_equal [[NAME, "Lanternroom", "9.02"]], table
    assert asked("/api/month-report.pdf?#{here}").start_with?("%PDF")
    assert_equal [%w[2027-03], %w[Lanternroom]], asked("/api/ledger").values_at("months", "clients")
    get "/api/month-report?month=2027-03&client=Nobody"
    assert_equal [404, true], [last_response.status, answer["detail"].include?("“Nobody”")]
    get "/api/month-report?month=2027-13"
    assert_equal 422, last_response.status
  end

  Held = Struct.new(:ascii, :account_id, :expires, :latest_safe, :move)

  # What expires next, soonest first; not what is on the move, over, or far off.
  def test_what_expires_next
    now = world.app.now.to_i
    day = 86_400
    held =
      [
        ["late.example", 9, 2, nil],
        ["soon.example", 60, 49, nil],
        ["far.example", 61, 50, nil],
        ["gone.example", -1, -12, nil],
        ["moving.example", 20, 9, :underway],
        ["open.example", 30, nil, nil]
      ].map do |n, ends, safe, move|
        Held.new(n, "tarnbeck", now + (ends * day), safe && (now + (safe * day)), move)
      end
    held[0].latest_safe = now - day
    text =
      SteadyMove::Desk::Closing::MonthText.new(world.app).of(
        SteadyMove::Desk::Closing::MonthReport.new(world.app).of("2027-03", held: held)
      )
    told = [
      /late.*too late to move/,
      /open\S+ expires on \S+ at Tarnbeck Names\.$/,
      /soon.*begins by/
    ]
    assert_equal told.size, text.parts.last.last.size
    told.zip(text.parts.last.last) { |says, line| assert_match(says, line) }
  end

  def test_what_is_left_and_the_report
    get "/api/moves/#{@id}/closing"
    assert_empty answer["left"], "nothing is left before it has landed"
    finish
    report = asked("/api/moves/#{@id}/closing")
    assert_includes report["left"].map { |i| i["key"] }, "auto_renew"
    assert_equal 422, send_to("/api/moves/#{@id}/closing", key: "auto_renew", state: "kept")
    assert_equal 200, send_to("/api/moves/#{@id}/closing", key: "auto_renew", state: "cancelled")
    assert_equal(
      %w[cancelled],
      answer["left"].select { |i| i["key"] == "auto_renew" }.map { |i| i["state"] }
    )
    text = report["parts"].flat_map { |p| p["lines"] }.join("\n")
    assert_match(/Result: Settled/, text)
    assert_match(/No time that was paid for is lost/, text)
    # Within 60 days after a move a name does not move again (rules of the job §2, recent-move).
    assert_in_delta world.move(@id).state.told("landed_at").at + (60 * 86_400),
                    Time.iso8601(report["again_at"]),
                    86_400
    assert(report["checks"].all? { |c| c["ok"] })
    assert_equal(
      [[NAME, "Settled"]],
      asked("/api/batches/#{@batch}/closing")["moves"].map { |m| m.values_at("name", "stage") }
    )
    row = CSV.parse(asked("/api/batches/#{@batch}/closing.csv"), headers: true).first
    assert_equal [NAME, "Settled", "9.02", "EUR"],
                 row.values_at("name", "came_to", "spent", "currency")
    assert_includes asked("/api/closing/move/#{@id}/page"), "Closing report"
  end

  def test_poppler_reads_the_pdf
    finish
    { "move/#{@id}" => NAME, "batch/#{@batch}" => "Čtvrtek" }.each do |of, word|
      pdf = asked("/api/closing/#{of}/pdf")
      text, status = Open3.capture2("pdftotext", "-", "-", stdin_data: pdf, binmode: true)
      assert_equal [true, true],
                   [status.success?, text.force_encoding("UTF-8").include?(word)],
                   text[0, 200]
    end
  end
end
