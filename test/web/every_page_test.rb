# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"

# Whatever can be read of a desk that has lived through its week: every reading operation of the
# contract, for what is there of each kind, with every value that a choice has; the moves once more
# when they have come further. Each answer is as the contract describes it (Described), none is a
# fault, and what is refused says why.
class EveryPageTest < Minitest::Test
  include SignedIn

  def new_world = BenchWorld.new(names_at: nil, week: true)

  # A batch beside the moves of the week; its last name is one that the destination does not take.
  BATCH = %w[slipway.example saltern-harbour.example oyster-smack-charter.example].freeze

  def setup
    super
    sign_in
    commands = SteadyMove::Desk::Batches::BatchCommands.new(world.app)
    id = commands.make(BATCH, by: "ada@saltern-office.example", to: "orlop").first
    batch = commands.find(id)
    review = SteadyMove::Desk::Batches::BatchReview.new(world.app).review(batch)
    commands.start(id, by: "ada@saltern-office.example", shown: review.total)
    world.runner.pass
  end

  # Sums that fit nothing that was quoted, in another currency, for several at once, paid back.
  RECEIPTS = [
    { kind: "receipt", moves: [3], account: "tarnbeck", amount: { minor: 9900, currency: "EUR" } },
    { kind: "receipt", moves: [1, 2], account: "orlop", amount: { minor: 100, currency: "EUR" } },
    { kind: "receipt", moves: [4], account: "cobble", amount: { minor: 700, currency: "GBP" } },
    { kind: "refund", moves: [5], account: "orlop", amount: { minor: 900, currency: "EUR" } }
  ].freeze

  # Streams, and what is asked with a secret that only another operation gives.
  ELSEWHERE = %r{/events\z|\{(job|token)\}}
  LATER = %w[/api/desk /api/moves/{id} /api/axis /api/hands].freeze
  EVENTS = 25
  # What stays to be read of moves that are over once their accounts are removed.
  KEPT = %w[
    /api/ledger
    /api/ledger.csv
    /api/journal
    /api/batches/{id}/closing
    /api/batches/{id}/closing.csv
    /api/closing/{kind}/{ref}/page
  ].freeze
  # Of so many names one is asked for, since each of them asks name servers.
  OUTSIDE = 8

  # What is given for a parameter that is no choice; the last of some can't be understood.
  GIVEN = {
    "to" => -> { accounts.first(3) },
    "account" => -> { accounts },
    "batch" => -> { batches },
    "month" => -> { %w[2027-03 2027-13] },
    "year" => -> { %w[2026 2027 later] },
    "ids" => -> { [moves.join(",")] },
    "q" => -> { %w[kelp % ü] },
    "within" => -> { %w[30] },
    "at" => -> { %w[2027-04-01T08:00:00Z soon] },
    "suffix" => -> { %w[example none] },
    "names" => -> { [names.first(3).join(",")] }
  }.freeze

  def test_everything_that_can_be_read
    RECEIPTS.each { |given| assert_equal 200, send_to("/api/ledger", **given) }
    answers = reading.flat_map { |path, operation| seen(path, operation) }
    EVENTS.times { world.driver.move_on }
    answers += reading.slice(*LATER).flat_map { |path, operation| seen(path, operation) }
    world
      .app
      .accounts
      .stub(:find, nil) do
        answers += reading.slice(*KEPT).flat_map { |path, operation| seen(path, operation) }
      end
    faults = answers.select { |_, status, _| status >= 500 }
    assert_empty faults
    refused = answers.select { |_, status, _| status >= 400 }
    assert_empty refused.grep_v(->(found) { found.last.match?(/"detail":".{10,}"/) })
    assert_operator answers.size, :>, 8 * refused.size, refused.inspect
    answered = reading.keys.select { |path| asked?(path, answers) }
    assert_equal reading.keys, answered
  end

  private

  def contract = @contract ||= JSON.parse(house.contract.json)

  def reading =
    contract
      .fetch("paths")
      .transform_values { |operations| operations["get"] }
      .reject { |path, operation| operation.nil? || path.match?(ELSEWHERE) }

  # Was it answered at least once?
  def asked?(path, answers)
    form = /\A#{Regexp.escape(path).gsub(/\\\{\w+\\\}/, "[^/?]+")}(\?|\z)/
    answers.any? { |address, status, _| status < 400 && address.match?(form) }
  end

  # Every address that a path stands for: [[address, status, body]].
  def seen(path, operation)
    addresses(path)
      .flat_map { |address| [address, *choices(operation).map { |c| "#{address}?#{c}" }] }
      .map do |address|
        get address
        [address, last_response.status, last_response.body]
      end
  end

  def addresses(path)
    case path
    when /\{kind\}/
      { "move" => ended, "batch" => batches }.flat_map do |kind, ids|
        ids.map { |id| path.sub("{kind}", kind).sub("{ref}", id.to_s) }
      end
    when /\{name\}/
      step = path.end_with?("-servers") ? OUTSIDE : 5
      names.each_slice(step).map { |some| path.sub("{name}", some.first) }
    when /\{id\}/
      ids(path[%r{\A/api/(\w+)}, 1]).map { |id| path.sub("{id}", id.to_s) }
    else
      [path]
    end
  end

  def ids(what)
    case what
    when "moves"
      moves
    when "accounts", "visits"
      accounts
    when "batches"
      batches
    when "imports"
      world.app.imports.last(3).map(&:id)
    when "hosts"
      world.app.accounts.hosts.map(&:id)
    when "post"
      world.app.db[:messages].select_map(:id)
    end
  end

  def names = world.app.names.all.map { |row| row[:name] }
  def moves = world.app.moves.all.map(&:id)
  def ended = world.app.moves.all.reject(&:open).map(&:id)
  def batches = world.app.batches.all.map(&:id)
  def accounts = world.app.accounts.all.map(&:id)

  # "key=value" for each value of each parameter that is asked for behind the path.
  def choices(operation)
    operation
      .fetch("parameters", [])
      .map { |p| p["$ref"] ? contract.dig(*p["$ref"].delete_prefix("#/").split("/")) : p }
      .select { |p| p["in"] == "query" }
      .flat_map { |p| values(p).map { |v| Rack::Utils.build_query(p["name"] => v) } }
  end

  def values(parameter)
    schema = parameter.fetch("schema")
    return %w[true false] if schema["type"] == "boolean"

    schema["enum"] || GIVEN[parameter["name"]]&.then { |given| instance_exec(&given) } || []
  end
end
