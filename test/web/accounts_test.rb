# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"

# Registrar accounts and DNS hosts, added, changed and removed by their own ids.
class AccountsTest < Minitest::Test
  include SignedIn

  BY_HAND = {
    title: "Quern Names",
    registrar: "Quern Names",
    kind: "by_hand",
    habits: {
      support: "help@quern.example",
      login: "ada",
      ways: {
        unlock: "letter"
      }
    },
    prices: {
      currency: "EUR",
      renew: 1500,
      transfer: 900
    },
    sender_domains: ["quern.example"]
  }.freeze

  def setup
    super
    sign_in
  end

  def added(**more)
    assert_equal 201, send_to("/api/accounts", **BY_HAND, **more), last_response.body
    answer["id"]
  end

  def held(id) = get("/api/accounts/#{id}") && answer

  def test_titles_may_stand_twice_and_in_any_script
    ids = ["Quern Names", "Quern Names", "麦粉商店", "💠"].map { |title| added(title: title) }
    assert_equal [4, %w[麦粉商店 💠]], [ids.uniq.size, ids.last(2).map { |id| held(id)["title"] }]
    hosts =
      Array.new(2) do
        send_to("/api/hosts", title: "Мельница", name_servers: ["ns.x.example"]) && answer["id"]
      end
    assert_equal 2, hosts.uniq.size
  end

  # what is sent => where it shows, and as what (nil: erased)
  CHANGES = [
    [{ title: "Quern" }, ["title"], "Quern"],
    [{ habits: { login: "bo" } }, %w[habits login], "bo"],
    [{ habits: { login: nil } }, %w[habits login], nil],
    [{ habits: { registrar_id: "9999" } }, %w[habits registrar_id], "9999"],
    [{ prices: { renew: 1600 } }, %w[prices renew], 1600],
    [{ prices: { transfer: nil } }, %w[prices transfer], nil],
    [{ sender_domains: [] }, ["sender_domains"], []]
  ].freeze

  def test_one_field_changes_only_itself
    id = added
    CHANGES.each do |change, place, value|
      before = held(id)
      assert_equal 200, send_to("/api/accounts/#{id}", **change), change.inspect
      expected = JSON.parse(before.to_json)
      inner = place[..-2].reduce(expected) { |at, key| at[key] }
      value.nil? ? inner.delete(place.last) : inner[place.last] = value
      assert_equal expected, held(id), change.inspect
    end
  end

  # path, body => status, a part of what is told
  REFUSED = [
    ["/api/accounts/nobody", { title: "x" }, 404, "no account “nobody”"],
    ["/api/accounts/nobody/remove", {}, 404, "no account “nobody”"],
    ["/api/accounts/tarnbeck/remove", {}, 409, "can't be removed: 12 names stand at it"],
    ["/api/accounts/orlop", { prices: { currency: nil } }, 422, "currency"],
    ["/api/accounts/orlop", { habits: { registrar_id: "x" } }, 422, "registrar_id"],
    [
      "/api/accounts/orlop",
      { habits: { site: "javascript:alert(1)\nhttps://orlop.example/" } },
      422,
      "site"
    ],
    ["/api/hosts/lanternroom/remove", {}, 409, /can't be removed: \d+ names use its name servers/],
    ["/api/hosts/nobody", { title: "x" }, 404, "no DNS host “nobody”"],
    ["/api/hosts/lanternroom", { name_servers: [] }, 422, "name_servers"],
    ["/api/hosts/lanternroom", { ends_with: "nobody" }, 422, "nobody"]
  ].freeze

  def test_what_is_refused_and_why
    before = world.app.accounts.all.map(&:to_h)
    REFUSED.each do |path, body, status, told|
      assert_equal status, send_to(path, **body), [path, body].inspect
      assert_match told, answer["detail"]
    end
    assert_equal before, world.app.accounts.all.map(&:to_h)
  end

  def test_removal_waits_until_nothing_rests_on_it
    id = added
    send_to("/api/hosts", title: "Own", name_servers: ["NS1.own.example."], ends_with: id)
    host = answer["id"]
    assert_equal ["ns1.own.example"], world.app.accounts.host_of(host).name_servers
    assert_equal [409, "Quern Names can't be removed: 1 DNS host ends with it."],
                 [send_to("/api/accounts/#{id}/remove"), answer["detail"]]
    assert_equal 200, send_to("/api/hosts/#{host}/remove")
    assert_equal 200, send_to("/api/accounts/#{id}/remove")
    assert_equal [nil, nil], [world.app.accounts.find(id), world.app.accounts.host_of(host)]
    assert_equal 404, get("/api/accounts/#{id}").status
  end

  # What is over keeps its words when the account that it left is gone; an open move keeps the
  # account.
  def test_an_account_that_an_open_move_rests_on_stays
    id = world.start("isles-timetable.example", to: "orlop")
    assert_equal [409, true],
                 [
                   send_to("/api/accounts/orlop/remove"),
                   answer["detail"].include?("1 open move rests on")
                 ]
    assert_equal 200, send_to("/api/moves/#{id}/call-off")
    world.driver.move_on until world.app.moves.open.empty?
    world.app.names.all.each { |row| world.app.names.drop(row[:name]) }
    world.app.accounts.hosts.each { |h| send_to("/api/hosts/#{h.id}/remove") }
    assert_equal [200, 200],
                 %w[orlop tarnbeck].map { |place| send_to("/api/accounts/#{place}/remove") },
                 answer.inspect
    [
      "/api/moves/#{id}",
      "/api/moves?state=ended",
      "/api/desk",
      "/api/journal",
      "/api/post",
      "/api/names",
      "/api/status"
    ].each { |path| assert_equal 200, get(path).status, "#{path}: #{last_response.body}" }
  end

  def test_a_host_keeps_its_key_until_it_is_given_none
    send_to(
      "/api/hosts",
      title: "Own",
      name_servers: ["ns.own.example"],
      key_name: "own-key.",
      secret: "c2VjcmV0"
    )
    id = answer["id"]
    send_to("/api/hosts/#{id}", title: "Our own")
    assert_equal ["Our own", "own-key.", "c2VjcmV0"],
                 world.app.accounts.host_of(id).to_h.values_at(:title, :key_name, :secret)
    send_to("/api/hosts/#{id}", key_name: nil)
    assert_nil world.app.accounts.host_of(id).secret
  end

  # What a plan would refuse is told on the name, before: name, what all DNS hosts become => a part
  # of it.
  IN_THE_WAY = [
    ["kelp.nowhere", {}, nil], # a suffix that nobody listed is told as a caution,
    ["isles-timetable.example", {}, nil],
    ["saltern-isles.example", {}, nil],
    ["saltern-isles.example", { secret: nil }, nil], # by hand then
    ["saltern-isles.example", { ends_with: "tarnbeck" }, /ends/]
  ].freeze

  def test_what_a_plan_would_refuse_is_told_before
    world.app.names.put(
      SteadyMove::Core::Names::DomainName.held("kelp.nowhere"),
      "tarnbeck",
      at: world.app.now
    )
    hosts = world.app.accounts.hosts.map(&:dup)
    IN_THE_WAY.each do |name, change, told|
      hosts.each do |h|
        world.app.accounts.put_host(SteadyMove::Store::Accounts::Host.new(**h.to_h, **change))
      end
      get "/api/names/#{name}"
      if told
        assert_match(told, answer["obstacles"].join(" "), name)
      else
        assert_empty(answer["obstacles"], name)
      end
    end
  end

  def connection(**more)
    orlop = world.app.accounts.find("orlop").connection
    {
      host: "127.0.0.1",
      port: orlop["port"],
      client: "saltern-web",
      ca_file: orlop["ca_file"],
      **more
    }
  end

  def test_a_connection_is_tried_before_it_is_kept
    given = { title: "Second desk", registrar: "Orlop Domain Desk", kind: "epp", password: "wrong" }
    {
      connection(port: 1) => "can't be reached",
      connection => "2200",
      connection.except(:client) => "client missing",
      connection(ca_file: nil) => "secure connection failed"
    }.each do |where, says|
      assert_equal 422, send_to("/api/accounts", **given, connection: where), where.inspect
      assert_includes answer["detail"], says
    end
    refute(world.app.accounts.all.any? { |a| a.title == "Second desk" })
    assert_equal 201,
                 send_to(
                   "/api/accounts",
                   **given,
                   connection: connection,
                   password: "high-water-0415"
                 )
    id = answer["id"]
    assert_equal "high-water-0415", world.app.accounts.find(id).secret
    ["/api/accounts", "/api/accounts/#{id}"].each do |path|
      refute_includes get(path).body, "high-water-0415"
    end
    assert_equal [422, "high-water-0415"],
                 [
                   send_to("/api/accounts/#{id}", password: "wrong"),
                   world.app.accounts.find(id).secret
                 ]
  end

  # Which paths of the machine there are is told nobody: a file that is missing, a folder, what has
  # no end, and what is no certificate are one answer.
  def test_paths_are_told_nobody
    given = { title: "Second desk", registrar: "Orlop Domain Desk", kind: "epp", password: "x" }
    key = Tempfile.create("key").tap { |f| f.write("no key") && f.flush }
    paths = ["/no/such/file", "/etc/passwd", "/etc", "/dev/zero", key.path, "/proc/self/mem"]
    said =
      paths.flat_map do |path|
        [{ ca_file: path }, { certificate_file: path, key_file: path }].map do |files|
          status = send_to("/api/accounts", **given, connection: connection(**files))
          [status, answer["detail"]]
        end
      end
    assert_equal [422], said.map(&:first).uniq
    assert_equal 1, said.map(&:last).uniq.size, said.map(&:last).uniq.inspect
    assert_match(/certificates or keys can't be used/, said.last.last)
  ensure
    File.delete(key.path)
  end

  # A held password is not sent to another place than the one that it was given for.
  def test_another_place_wants_the_password_again
    assert_equal 422, send_to("/api/accounts/orlop", connection: { host: "localhost" })
    assert_includes answer["detail"], "type the password again"
    assert_equal "127.0.0.1", world.app.accounts.find("orlop").connection["host"]
  end

  # Whoever likes may write from there.
  def test_a_public_mail_provider_is_no_sender_s_domain
    %w[sender_domains habits].zip(
      [
        %w[reg.example Blogspot.com],
        { "privacy_service" => { "title" => "Hood", "writes_from" => "blogspot.com" } }
      ]
    ) do |field, value|
      assert_equal 422, send_to("/api/accounts/orlop", field => value), field
      assert_includes answer["detail"].downcase, "at blogspot.com anybody may have an address"
    end
    assert_equal 200,
                 send_to("/api/accounts/orlop", sender_domains: %w[bo@blogspot.com reg.example])
  end
end
