# frozen_string_literal: true

require "selenium-webdriver"

# Figures with many names: judging them, and the list of 50,000 in a web process of its own.
module ManyNames
  DAY = 86_400
  NOW = Time.utc(2027, 3, 1, 8)
  EMAIL = "bench@saltern-office.example"
  PASSWORD = "bench-of-oak-44"
  STATUSES = [
    ["ok"],
    ["clientTransferProhibited"],
    %w[clientTransferProhibited clientUpdateProhibited],
    ["serverTransferProhibited"],
    ["clientTransferProhibited"]
  ].freeze

  # Facts as a name has them, different for each.
  def values(random)
    {
      registered: true,
      statuses: STATUSES.sample(random: random),
      created_at: NOW - (random.rand(10..4000) * DAY),
      expires_at: NOW + (random.rand(-20..800) * DAY),
      transferred_at: random.rand(3).zero? ? NOW - (random.rand(1..300) * DAY) : nil,
      name_servers: %w[ns1.lanternroom.example ns2.lanternroom.example],
      registrant_email: "names@saltern-office.example",
      registrant_changed_at: NOW - (random.rand(1..900) * DAY),
      signed: random.rand(9).zero?,
      zone_ends_with_account: random.rand(3).zero? && "Tarnbeck name servers",
      paid: true,
      privacy: false,
      dns_host: "Lanternroom DNS"
    }.compact
  end

  # All rules, verdict now, windows and soft stretches over 400 days, each name with its facts from
  # two sources. The facts are made up beforehand, a thousand at a time, and that is not counted.
  def judging_many
    book =
      SteadyMove::Desk::Portfolio::Rulebooks.load(File.join(SteadyMove::ROOT, "config", "rulebook"))
    small, large = [10_000, 100_000].map { |count| judge(book, count) }
    row("judging 100,000 names: rules, verdict, windows; one core", large, "5 s")
    ratio("… against ten times 10,000", large / (small * 10), "1.1")
  end

  # Returns the seconds spent.
  def judge(book, count)
    random = Random.new(1)
    (0...count)
      .each_slice(1000)
      .sum do |part|
        given = part.map { |i| ["bench#{i}.example", values(random)] }
        time { given.each { |name, known| judge_one(book, name, known) } }
      end
  end

  def judge_one(book, text, known)
    now = NOW.to_i
    name = SteadyMove::Core::Names::DomainName.held(text)
    facts = SteadyMove::Core::Readiness::Facts.ruled(known)
    outline = SteadyMove::Core::Readiness::Judge.outline(book, name, facts)
    [
      outline.gate(now),
      outline.windows(now, now + (400 * DAY)),
      outline.soft(now, now + (400 * DAY))
    ]
  end

  def fifty_thousand
    Dir.mktmpdir do |folder|
      fill(folder, 50_000)
      serve(folder) do |port, _|
        first_answer(port, "/api/names, 50,000 names: the very first answer")
      end
      serve(folder) do |port, pid|
        cookie =
          first_answer(port, "/api/names, 50,000 names: the first answer after a start", "1.5 s")
        questions(port, cookie)
        row(
          "what-if date over 50,000 names: the first answer",
          time { wait_for(port, "/api/names?at=2027-09-01T08:00:00Z", cookie) },
          "6 s"
        )
        row(
          "what-if destination over 50,000 names: the first answer",
          time { wait_for(port, "/api/names?to=cobble", cookie) },
          "6 s"
        )
        scrolling(port)
        figure(
          "memory of the web process with 50,000 names",
          "#{File.read("/proc/#{pid}/status")[/VmRSS:\s+(\d+)/, 1].to_i / 1024} MB",
          "400 MB"
        )
      end
    end
  end

  def first_answer(port, what, limit = "")
    cookie = sign_in(port, EMAIL, PASSWORD)
    row(what, time { wait_for(port, "/api/names", cookie) }, limit)
    cookie
  end

  # One name among 100,000 changes; until the list, sorted and with its counts, shows it.
  def one_change
    Dir.mktmpdir do |folder|
      app = fill(folder, 100_000, close: false)
      titles =
        SteadyMove::Desk::Portfolio::NamesQuery.titles(app.accounts.all.to_h { |a| [a.id, a] })
      list =
        lambda do
          at = Time.at(NOW.to_i).utc
          found = app.portfolio.snapshots(at: at, now: at, patience: 600)
          SteadyMove::Desk::Portfolio::NamesQuery.new({ sort: "expiry" }, titles).call(*found)
        end
      list.call
      took =
        Array.new(9) do |i|
          fact =
            SteadyMove::Core::Readiness::Fact.new(
              key: :paid,
              value: false,
              source: :hand,
              seen_at: NOW,
              ref: nil
            )
          app.names.learn(format("name-%05d.example", i * 9_999), [fact])
          time { list.call }
        end
      row("one name among 100,000 changes, until the list shows it", took.sort[4], "200 ms")
      app.close
    end
  end

  def fill(folder, count, close: true)
    config = SteadyMove::Desk::Config.new({ "data" => folder })
    app = SteadyMove::Desk::App.new(config, clock: SteadyMove::Desk::SystemClock.new)
    SteadyMove::Desk::People::Directory.new(app).put(EMAIL, PASSWORD, role: "administrator")
    accounts = %w[tarnbeck gannet millrace cobble orlop]
    accounts.each do |id|
      app.accounts.put(
        SteadyMove::Core::Accounts::Account.new(
          id: id,
          title: id.capitalize,
          registrar: id,
          kind: "by_hand",
          connection: {
          },
          habits: {
          },
          prices: {
            "currency" => "EUR",
            "renew" => 1400
          },
          sender_domains: []
        )
      )
    end
    random = Random.new(2)
    Array
      .new(count) { |i| format("name-%05d.example", i) }
      .each_slice(2_000) do |names|
        app.db[:names].multi_insert(
          names.map do |n|
            { name: n, unicode: n, account_id: accounts.sample(random: random), taken_at: 0 }
          end
        )
        app.db[:sightings].multi_insert(names.flat_map { |n| sightings(n, random) })
      end
    close ? app.close : app
  end

  def sightings(name, random)
    all = values(random).transform_values { |v| SteadyMove::Store::Values.encode(v) }
    desk = all.slice(:zone_ends_with_account, :dns_host)
    record = all.except(*desk.keys, :registrant_email, :registrant_changed_at, :paid)
    {
      account: all.except(*desk.keys, :signed, :privacy),
      public_record: record,
      desk: desk
    }.map do |source, facts|
      seen = facts.transform_values { [NOW.to_i, "https://rdap.example/domain/#{name}"] }
      {
        name: name,
        source: source.to_s,
        facts: JSON.generate(facts),
        seen: JSON.generate(seen),
        seen_at: NOW.to_i
      }
    end
  end

  # The web process as bin/start runs it.
  def serve(folder)
    port = TCPServer.open("127.0.0.1", 0) { |s| s.addr[1] }
    pid =
      Process.spawn(
        { "STEADY_MOVE_DATA" => folder, "STEADY_MOVE_PORT" => port.to_s },
        "bin/steady-move",
        "serve",
        %i[out err] => File::NULL
      )
    IO.select(nil, nil, nil, 0.1) until page(port)
    yield port, pid
  ensure
    Process.kill("TERM", pid)
    Process.wait(pid)
  end

  # Asks until the answer is there, as the page does while it shows how far the work is.
  def wait_for(port, path, cookie)
    Net::HTTP.start("127.0.0.1", port) do |http|
      loop do
        answer = http.get(path, "Cookie" => cookie)
        return answer if answer.code == "200"
        raise "#{path}: #{answer.code}" unless answer.code == "202"
      end
    end
  end

  def questions(port, cookie)
    paths = %w[
      /api/names?sort=expiry
      /api/names?gate=fix,wait&sort=-account
      /api/names?q=name-01&group=gate
      /api/names?within=14&account=cobble
      /api/names?suffix=example&sort=stay&offset=20000
    ]
    took =
      Net::HTTP
        .start("127.0.0.1", port) do |http|
          Array.new(60) { |i| time { http.get(paths[i % paths.size], "Cookie" => cookie) } }
        end
        .sort
    row(
      "/api/names, 50,000 names: filtered, sorted, with rulers; p95",
      took[(took.size * 0.95).floor],
      "150 ms"
    )
  end

  # Chromium scrolls through the list: rows in the document and the longest task.
  def scrolling(port)
    options =
      Selenium::WebDriver::Chrome::Options.new(
        binary: "/usr/bin/chromium",
        args: %w[--headless --no-sandbox --disable-gpu]
      )
    browser =
      Selenium::WebDriver.for(
        :chrome,
        options: options,
        service: Selenium::WebDriver::Service.chrome(path: "/usr/bin/chromedriver")
      )
    browser.navigate.to("http://127.0.0.1:#{port}/names")
    waiting = Selenium::WebDriver::Wait.new(timeout: 60)
    waiting.until { browser.find_elements(id: "password").any? }
    browser.find_element(id: "email").send_keys(EMAIL)
    browser.find_element(id: "password").send_keys(PASSWORD, :return)
    waiting.until { browser.find_elements(css: "[data-row]").any? }
    rows, longest = browser.execute_async_script(<<~JS)
      const done = arguments[0], list = document.querySelector('.scroller');
      let rows = 0, longest = 0, steps = 0;
      const see = (list) => list.getEntries().forEach((e) => (longest = Math.max(longest, e.duration)));
      new PerformanceObserver(see).observe({ type: 'longtask' });
      const step = () => {
        list.scrollTop += 700;
        rows = Math.max(rows, document.querySelectorAll('[role=row]').length);
        if (++steps < 240) requestAnimationFrame(step); else setTimeout(() => done([rows, longest]), 500);
      };
      step();
    JS
    figure("scrolling 50,000 names in Chromium: rows in the document", rows, "100")
    figure("… longest task (only those over 50 ms are seen)", "#{longest.round} ms", "100 ms")
  ensure
    browser&.quit
  end
end
