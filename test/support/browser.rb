# frozen_string_literal: true

require "capybara/minitest"
require "selenium-webdriver"
require_relative "bench_world"
require_relative "by_keyboard"
require_relative "no_waiting"

# Debian's headless Chromium on a desk of its own beside a practice world with a standing clock.
module Browser
  SWITCHES = %w[
    --headless
    --no-sandbox
    --disable-gpu
    --disable-extensions
    --disable-quic
    --no-first-run
    --disable-background-networking
    --disable-component-update
    --disable-sync
    --hide-scrollbars
    --lang=en-GB
  ].freeze

  # A node that went while it was asked for is told by Chromium in an error that no class knows: it
  # is looked for again.
  class Driver < Capybara::Selenium::Driver
    def invalid_element_errors = super + [Selenium::WebDriver::Error::UnknownError]
  end

  # What of a node can be read, and whether it can be seen, by the browser itself: WebDriver's own
  # ways ask for the style of every node in the page, which was a quarter of the time.
  module ReadAtOnce
    SEEN = <<~JS
      (node) => !!node.closest('option') ||
        node.checkVisibility({ visibilityProperty: true, opacityProperty: true })
    JS
    READ = <<~'JS'
      const [node] = arguments;
      const choice = node.matches('option');
      if (!choice && !node.checkVisibility({ visibilityProperty: true })) return '';
      return (choice ? node.textContent : node.innerText)
        .replace(/\u00a0/g, ' ').replace(/[ \t]+/g, ' ').replace(/ ?\n[ \n]*/g, '\n').trim();
    JS

    def visible_text = driver.browser.execute_script(READ, native)
  end
  Capybara::Selenium::Node.prepend(ReadAtOnce)
  Capybara::Selenium::Find.define_method(:is_displayed_atom) { ReadAtOnce::SEEN }

  Capybara.register_driver(:chromium) do |app|
    options = Selenium::WebDriver::Chrome::Options.new(binary: "/usr/bin/chromium")
    SWITCHES.each { |s| options.add_argument(s) }
    options.add_option("goog:loggingPrefs", { browser: "ALL" })
    client = Selenium::WebDriver::Remote::Http::Default.new(open_timeout: 120, read_timeout: 240)
    service = Selenium::WebDriver::Service.chrome(path: "/usr/bin/chromedriver")
    Driver.new(app, browser: :chrome, options: options, service: service, http_client: client)
  end
  Capybara.default_max_wait_time = 40
  Capybara.run_server = false
  Capybara.enable_aria_label = true

  include Capybara::DSL
  include Capybara::Minitest::Assertions

  attr_reader :world

  def setup
    @world = new_world
    serve(world.desk.application(log: SteadyMove::Web::Log.new(File.open(File::NULL, "w"))))
  end

  def serve(house)
    @house = house
    @server = SteadyMove::Web::Serve.start(@house, port: 0)
    Capybara.current_driver = :chromium
    Capybara.app_host = "http://127.0.0.1:#{@server.connected_ports.first}"
    size(1280, 800)
  end

  def teardown
    complaints = page.driver.browser.logs.get(:browser).map(&:message).grep_v(HARMLESS)
    Capybara.reset_sessions!
    @house.stop
    @server.stop(true)
    world.close
    assert_empty complaints, "the browser complained"
  end

  def new_world = BenchWorld.new

  # The inner size of the page, whatever the window's own frame takes.
  def size(width, height)
    page.driver.browser.execute_cdp(
      "Emulation.setDeviceMetricsOverride",
      width: width,
      height: height,
      deviceScaleFactor: 1,
      mobile: false
    )
  end

  def sign_in
    visit "/"
    fill_in "Email", with: Practice::DeskSide::Desk::EMAIL
    fill_in "Password", with: Practice::DeskSide::Desk::PASSWORD
    click_on "Sign in"
    assert_selector "nav a", text: "Desk"
  end

  # Under whoever is signed in, at the right of the bar.
  def person
    find("header .right .menu button", text: "ada").click
    yield
  end

  # Moves the practice clock on from the page until the text is there.
  def on_until(text, most: 12)
    most.times do
      return if page.has_text?(text, wait: 1)

      click_button "To next event", disabled: false
      assert_selector "button:not([disabled])", text: "+15 min"
    end
    assert_text text
  end

  # Refusals that a test asks for; a form whose person is not known yet; what a slow machine takes
  # seconds to use (that each answer is fetched once, heads_test looks at).
  HARMLESS =
    %r{
    favicon|status\ of\ (401|403|409|422)|/api/\S+\ -\ Failed.*status\ of\ 404
    |Password\ forms\ should\ have|preloaded.*but\ not\ used\ within\ a\ few\ seconds
    }x
  AXE = File.join(SteadyMove::ROOT, "ui", "node_modules", "axe-core", "axe.min.js")

  # What depends on the theme; everything else is the same in both.
  BY_THEME = %w[color-contrast link-in-text-block].freeze
  FOUND = <<~JS
    const [rules, done] = arguments;
    axe.run({ resultTypes: ['violations'], ...(rules && { runOnly: rules }) })
      .then((r) => done(r.violations.map((v) => v.id + ': ' + v.nodes.map((n) => n.html.slice(0, 120)).join(' | '))));
  JS

  # Opens every fold of the page, and those within; what they ask for has come when it is done.
  UNFOLD = <<~JS
    const [done] = arguments;
    const rest = () => new Promise((after) => setTimeout(after, 50));
    (async () => {
      window.unfolded = [];
      for (let more; (more = document.querySelectorAll('main details:not([open])')).length; ) {
        for (const fold of more) { fold.open = true; window.unfolded.push(fold); }
        do await rest(); while (document.querySelector('.waiting[role=status]'));
      }
      done(window.unfolded.length);
    })();
  JS
  FOLD = "for (const fold of window.unfolded) fold.open = false"

  # axe-core, from its package, on the view with all that is folded away on it, in light and dark.
  def axe(where)
    page.execute_script(File.read(AXE)) unless page.evaluate_script("'axe' in window")
    page.evaluate_async_script(UNFOLD)
    { "light" => nil, "dark" => BY_THEME }.each do |theme, rules|
      page.execute_script(
        "document.documentElement.classList.toggle('dark', arguments[0])",
        theme == "dark"
      )
      assert_empty page.evaluate_async_script(FOUND, rules), "#{where} #{theme}"
    end
    page.execute_script("document.documentElement.classList.remove('dark')")
    page.execute_script(FOLD)
  end
end
