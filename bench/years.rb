# frozen_string_literal: true

require "net/http"

# A desk that has run for years: 5,000 moves (500 of them open), 120,000 lines of the journal,
# 20,000 mails.
module Years
  MOVES = 5000
  OPEN = 500
  LINES = 120_000
  MAILS = 20_000
  LISTS = {
    "/api/post" => "150 ms",
    "/api/moves" => "150 ms",
    "/api/status" => "150 ms",
    "/api/desk" => ""
  }.freeze

  def years
    with_moves(1, at: %w[tarnbeck], like: ["isles-timetable.example"]) do |world|
      world.runner.pass
      many_years(world)
      served(world) do |_, port|
        cookie = house_cookie(port)
        LISTS.each { |path, limit| list(port, path, cookie, limit) }
      end
    end
  end

  private

  def list(port, path, cookie, limit)
    length = 0
    Net::HTTP.start("127.0.0.1", port) do |http|
      first = time { length = http.get(path, "Cookie" => cookie).body.bytesize }
      times = Array.new(40) { time { http.get(path, "Cookie" => cookie) } }.sort
      row("#{path} after years: first of all", first, "")
      row("#{path} after years: p95 of 40 (#{length / 1024} kB)", times[37], limit)
    end
  end

  def house_cookie(port)
    Net::HTTP.start("127.0.0.1", port) do |http|
      first = http.get("/api/session")
      cookie = cookies(first)
      token = JSON.parse(first.body)["csrf"]
      body =
        JSON.generate(
          email: Practice::DeskSide::Desk::EMAIL,
          password: Practice::DeskSide::Desk::PASSWORD
        )
      answer =
        http.post(
          "/api/sign-in",
          body,
          "Cookie" => cookie,
          "X-CSRF-Token" => token,
          "Content-Type" => "application/json"
        )
      answer.code == "200" ? cookies(answer) : raise("nobody is signed in: #{answer.body}")
    end
  end

  def cookies(answer) = answer.get_fields("set-cookie").map { |c| c[/\A[^;]+/] }.join("; ")

  def many_years(world)
    db = world.app.db
    multiply(db, MOVES - 1)
    db[:moves]
      .where { id <= MOVES - OPEN }
      .update(open: false, ending: "settled", stage: "Settled", turn: nil)
    db[:looks].where { move_id <= MOVES - OPEN }.delete
    rechained(db)
    mails(world)
  end

  # The journal filled up to its length, as one whole chain.
  def rechained(db)
    have = db[:events].count
    sample = db[:events].exclude(move_id: nil).limit(1).first.except(:seq)
    (LINES - have)
      .times
      .each_slice(2000) do |part|
        db[:events].multi_insert(
          part.map { |i| sample.merge(move_id: (i % MOVES) + 1, type: "waiting", chain: "") }
        )
      end
    db.run("DROP TRIGGER events_no_update")
    journal = SteadyMove::Store::Journal.new(db)
    put = db[:events].where(seq: :$seq).prepare(:update, :rechain, chain: :$chain)
    chain = ""
    db.transaction do
      db[:events]
        .order(:seq)
        .all
        .each do |row|
          chain = Digest::SHA256.hexdigest([chain, *journal.send(:digested, row)].join("\n"))
          put.call(seq: row[:seq], chain: chain)
        end
    end
    db[:moves].update(scheduled_seq: :last_seq)
  end

  def mails(world)
    text = "A line of an ordinary message, as they come.\n" * 60
    rows =
      Array.new(MAILS) do |i|
        {
          uid: 10_000 + i,
          message_id: "<y#{i}@x>",
          sender: "a@b.example",
          recipient: "c@d.example",
          facts: "{}",
          subject: "Message #{i}",
          text: text,
          at: (world.app.now - (i * 3600)).to_i,
          names: "[]",
          because: "[]",
          kind: (i % 40).zero? ? "approve-release" : "unrelated",
          doubtful: false,
          links: "[]",
          trust: "unproven"
        }
      end
    rows.each_slice(1000) { |part| world.app.db[:messages].multi_insert(part) }
  end
end
