# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"
require "zlib"

# The built pages as they are handed out: under the desk's own path, packed for whoever takes them
# so.
class PagesTest < Minitest::Test
  include SignedIn

  SCRIPT = "console.log('a script');\n" * 50
  # Stands for it as Brotli packs it: Ruby can't unpack that.
  SMALLER = "packed otherwise"

  def pages(**how)
    @folder = File.join(world.folder, "public")
    FileUtils.mkdir_p(File.join(@folder, "assets"))
    File.write(File.join(@folder, "assets", "a-1.js"), SCRIPT)
    Zlib::GzipWriter.open(File.join(@folder, "assets", "a-1.js.gz")) { |gz| gz.write(SCRIPT) }
    File.write(File.join(@folder, "assets", "a-1.js.br"), SMALLER)
    File.write(
      File.join(@folder, "index.html"),
      %(<head><script src="./assets/a-1.js"></script></head>)
    )
    SteadyMove::Web::Pages.new(@folder, **how)
  end

  def ask(pages, path, accepts = nil)
    status, headers, body =
      pages.call(
        {
          "REQUEST_METHOD" => "GET",
          "PATH_INFO" => path,
          "HTTP_ACCEPT_ENCODING" => accepts
        }.compact
      )
    text = +""
    body.each { |piece| text << piece }
    [status, headers, text]
  end

  # what a browser takes => how it is packed
  ACCEPTS = {
    nil => nil,
    "gzip, deflate, br" => "br",
    "br;q=1.0, gzip;q=0.8" => "br",
    "gzip, br;q=0" => "gzip",
    "gzip;q=0" => nil,
    "GZIP" => "gzip",
    "identity" => nil,
    "gzip;q=0.0, br" => "br",
    "xgzip, brotli" => nil
  }.freeze

  def test_scripts_are_packed_for_whoever_takes_them_so
    here = pages
    ACCEPTS.each do |accepts, coding|
      status, headers, text = ask(here, "/assets/a-1.js", accepts)
      assert_equal [200, coding, "accept-encoding"],
                   [status, headers["content-encoding"], headers["vary"]],
                   accepts.inspect
      assert_match(/javascript/, headers["content-type"])
      unpacked = { "gzip" => ->(t) { Zlib.gunzip(t) }, "br" => ->(t) { t == SMALLER && SCRIPT } }
      assert_equal SCRIPT, unpacked.fetch(coding, :itself.to_proc).call(text)
    end
    %w[
      /assets/nothing.js
      /assets/../../desk/steady-move.key
      /assets/%2e%2e/%2e%2e/desk/steady-move.key
    ].each { |path| refute_equal 200, ask(here, path, "gzip").first, path }
  end

  def test_the_page_knows_its_own_path
    assert_includes ask(pages, "/names/x").last, %(src="/assets/a-1.js")
    page = ask(pages(path: "/desk"), "/").last
    assert_includes page, %(src="/desk/assets/a-1.js")
    assert_includes page, %(content="/desk")
  end

  # Under a path the desk's own places answer as those without do, and its cookie goes nowhere else.
  def test_all_of_it_under_a_path
    { path: "/desk", metrics: { "token" => "t" * 20 } }.each do |key, value|
      world.app.config.instance_variable_set("@#{key}", value)
    end
    @app = world.desk.application(log: SteadyMove::Web::Log.new(StringIO.new)).rack
    header "Authorization", "Bearer #{"t" * 20}"
    says = { "healthz" => "alive", "readyz" => "ready", "metrics" => "steady_move_moves_open" }
    says
      .to_a
      .product(["", "/desk"]) do |(what, text), path|
        assert_equal 200, get("#{path}/#{what}").status
        assert_includes last_response.body, text
      end
    header "Authorization", nil
    assert_equal 200, get("/desk/api/session").status
    assert_match(%r{; path=/desk(;|$)}i, last_response.headers["set-cookie"].to_s)
    assert_equal 404, get("/api/session").status
  end

  # What the view will ask for is asked for with the page; of a signed-in person's data nothing
  # without one.
  def test_the_first_answers_are_fetched_with_the_scripts
    links = ->(path) do
      get(path) && last_response.body.scan(/rel="preload" as="fetch"[^>]*href="([^"]*)"/).flatten
    end
    assert_equal ["/api/session"], links["/"]
    sign_in
    assert_equal ["/api/session"], links["/post"]
    assert_equal ["/api/session"], links["/names?sort=-name"]
    SteadyMove::Web::Pages::FIRST.each_key do |path|
      asked = links[path]
      assert_operator asked.size, :>, 1
      asked.each { |place| assert_equal 200, get(CGI.unescapeHTML(place)).status, place }
    end
    assert_match(/name="steady-move-seen" content="#{world.app.journal.last_seq}"/, get("/").body)
  end

  # A page comes also while the database doesn't answer; it asks for everything then.
  def test_a_page_without_a_database
    pages # makes the folder
    env = { "REQUEST_METHOD" => "GET", "PATH_INFO" => "/post", "QUERY_STRING" => "" }
    env["rack.session"] = { "account_id" => 1 }
    [
      [-> { 41 }, 'content="41"'],
      [-> { raise Sequel::DatabaseError, "locked" }, nil]
    ].each do |seen, told|
      status, _, body = SteadyMove::Web::Pages.new(@folder, &seen).call(env)
      assert_equal [200, told], [status, body.join[/seen" (content="\d+")/, 1]]
    end
  end

  # A list that is a part of its own, and whatever that needs, comes with the page; and its file is
  # there, or the build's list names it otherwise now.
  def test_a_views_own_part_comes_with_the_page
    list = { "a.svelte" => { file: "assets/a-1.js", css: ["assets/a-1.css"], imports: %w[b] } }
    list["b"] = { file: "assets/b-1.js", imports: %w[a.svelte] }
    pages # makes the folder
    File.write(File.join(@folder, "manifest.json"), JSON.generate(list))
    built = SteadyMove::Web::BuiltParts.new(@folder)
    assert_equal %w[assets/a-1.js assets/a-1.css assets/b-1.js], built.of("a.svelte")
    assert_empty built.of("c.svelte")
    own = SteadyMove::Web::BuiltParts.new(File.join(SteadyMove::ROOT, "public"))
    SteadyMove::Web::Pages::PARTS.each_value do |part|
      assert_operator own.of(part).size, :>, 3, part
    end
    sign_in
    assert_match(%r{"modulepreload" crossorigin href="/assets/NameList}, get("/names").body)
  end

  # JSON comes packed, too; but not what holds the session's token.
  def test_answers_are_packed_and_the_token_is_not
    sign_in
    header "Accept-Encoding", "gzip"
    get "/api/names"
    assert_equal "gzip", last_response.headers["content-encoding"]
    assert_equal 12, JSON.parse(Zlib.gunzip(last_response.body))["total"]
    assert_nil get("/api/session").headers["content-encoding"]
    assert JSON.parse(last_response.body)["csrf"]
  end
end
