# frozen_string_literal: true

require "selenium-webdriver"

# What a person feels of the pages, in Chromium, with 50,000 names and 500 moves: the largest
# content painted (LCP), how far the page jumps (CLS), the slowest answer to a key or a click (INP);
# on this machine, and over a slow line with a processor four times slower. As the browser itself
# measures them (W3C Largest Contentful Paint, Layout Instability, Event Timing).
module Vitals
  VIEWS = %w[
    /
    /names
    /names/name-00007.example
    /moves
    /moves/7
    /by-hand
    /post
    /records
    /codes
    /rulebook
    /accounts
    /status
    /ledger
    /approvals
    /batches
    /help
    /you
  ].freeze
  # Seconds after a start in which the desk works out what the first pages want.
  REST = 8
  SLOW = {
    offline: false,
    latency: 400,
    downloadThroughput: 50_000,
    uploadThroughput: 50_000
  }.freeze
  WATCH = <<~JS
    window.vitals = { lcp: 0, cls: 0, inp: 0 };
    const on = (type, see, more) => new PerformanceObserver((l) => l.getEntries().forEach(see))
      .observe({ type, buffered: true, ...more });
    on('largest-contentful-paint', (e) => (vitals.lcp = e.startTime));
    on('layout-shift', (e) => e.hadRecentInput || (vitals.cls += e.value));
    on('event', (e) => e.interactionId && (vitals.inp = Math.max(vitals.inp, e.duration)), { durationThreshold: 16 });
  JS

  def vitals
    Dir.mktmpdir do |folder|
      app = fill(folder, 50_000, close: false)
      under_way(app, 500)
      at_rest(app)
      app.close
      serve(folder) do |port, _|
        browse(port) do |browser|
          felt = VIEWS.to_h { |path| [path, feel(browser, port, path)] }
          worst("largest content painted (LCP), slowest view", felt, "lcp", "1000 ms") do |v|
            "#{v.round} ms"
          end
          worst("slowest answer to a key (INP), slowest view", felt, "inp", "100 ms") do |v|
            "#{v.round} ms"
          end
          worst("how far a page jumps (CLS), worst view", felt, "cls", "0.02") do |v|
            format("%.3f", v)
          end
          slowly(browser)
          slow = %w[/ /names].to_h { |path| [path, feel(browser, port, path, settle: 12)] }
          worst(
            "LCP at 50 kB/s, 400 ms, a processor four times slower",
            slow,
            "lcp",
            "4000 ms"
          ) { |v| "#{v.round} ms" }
        end
      end
    end
  end

  private

  def worst(what, felt, key, limit)
    path, value = felt.map { |p, v| [p, v[key]] }.max_by(&:last)
    figure("#{what}: #{path}", yield(value), limit)
  end

  # So many moves by hand, each a minute after the other.
  def under_way(app, count)
    count.times do |i|
      name = format("name-%05d.example", i)
      from = app.names.find(name)[:account_id]
      plan =
        SteadyMove::Core::Moves::Plan.of(
          name: name,
          from: from,
          to: (%w[orlop cobble] - [from]).first,
          options: %i[lock code ask],
          years: 1,
          response_days: 5,
          settle_seconds: 0,
          ways: app.accounts.find(from).ways.merge("order" => "page", "lock_back" => "page"),
          name_servers: %w[ns1.lanternroom.example ns2.lanternroom.example]
        )
      at = Time.now.utc - (i * 60)
      id = app.moves.start(plan, at: at)
      app.journal.add(
        "planned",
        at: at,
        move_id: id,
        name: name,
        by: ManyNames::EMAIL,
        says: "Planned."
      )
    end
  end

  # Every move has come as far as it comes by itself, as on any day: else all 500 take their first
  # steps while pages are measured.
  def at_rest(app)
    runner = SteadyMove::Desk::Engine::StepRunner.new(app)
    600.times do
      runner.pass
      break if runner.next_look.nil? || runner.next_look > Time.now.utc + 5
    end
  end

  def browse(port)
    options =
      Selenium::WebDriver::Chrome::Options.new(
        binary: "/usr/bin/chromium",
        args: %w[--headless --no-sandbox --disable-gpu --window-size=1280,900]
      )
    browser =
      Selenium::WebDriver.for(
        :chrome,
        options: options,
        service: Selenium::WebDriver::Service.chrome(path: "/usr/bin/chromedriver")
      )
    browser.execute_cdp("Page.addScriptToEvaluateOnNewDocument", source: WATCH)
    browser.navigate.to("http://127.0.0.1:#{port}/")
    waiting = Selenium::WebDriver::Wait.new(timeout: 60)
    waiting.until { browser.find_elements(id: "password").any? }
    browser.find_element(id: "email").send_keys(ManyNames::EMAIL)
    browser.find_element(id: "password").send_keys(ManyNames::PASSWORD, :return)
    waiting.until { browser.find_elements(css: "nav").any? }
    browser.navigate.to("http://127.0.0.1:#{port}/names")
    waiting.until { browser.find_elements(css: "[data-row]").any? } # the list is worked out once
    IO.select(nil, nil, nil, REST)
    yield browser
  ensure
    browser&.quit
  end

  def feel(browser, port, path, settle: 2)
    browser.navigate.to("http://127.0.0.1:#{port}#{path}")
    IO.select(nil, nil, nil, settle)
    ["j", "j", "/", :escape, "?", :escape].each do |key|
      browser.action.send_keys(key).perform
      IO.select(nil, nil, nil, 0.15)
    end
    browser.execute_script("return window.vitals")
  end

  def slowly(browser)
    browser.execute_cdp("Network.enable")
    browser.execute_cdp("Network.setCacheDisabled", cacheDisabled: true)
    browser.execute_cdp("Network.emulateNetworkConditions", **SLOW)
    browser.execute_cdp("Emulation.setCPUThrottlingRate", rate: 4)
  end
end
