# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/described"

# Requests held against the document.
class ContractTest < Minitest::Test
  Web = SteadyMove::Web

  def contract = @contract ||= Web::Contract.new

  # operation => verb, path, least role, for anybody, answered by the sign-in
  OPERATIONS = {
    "names" => ["get", "/api/names", nil, false, false],
    "name" => ["get", "/api/names/:name", nil, false, false],
    "callOff" => ["post", "/api/moves/:id/call-off", "mover", false, false],
    "approve" => ["post", "/api/moves/:id/approve", "approver", false, false],
    "signIn" => ["post", "/api/sign-in", nil, true, true],
    "firstRun" => ["post", "/api/first-run", nil, true, false],
    "people" => ["get", "/api/people", "administrator", false, false]
  }.freeze

  def test_operations
    OPERATIONS.each do |id, expected|
      found = contract.operation(id)
      assert_equal expected, [found.verb, found.route, found.role, found.open, found.sign_in], id
    end
    assert_raises(KeyError) { contract.operation("burn") }
    answered = Web::Api.answers.keys
    wanted = contract.operations.reject(&:sign_in).map(&:id)
    assert_empty wanted - answered, "operations that nothing answers"
    assert_empty answered - wanted, "answers to what the contract does not know"
  end

  # query => what it is understood as, or a part of the problem
  QUERIES = [
    [
      { "limit" => "20", "q" => "x", "changed" => "true", "other" => "ignored" },
      { q: "x", changed: true, limit: 20 }
    ],
    [{ "changed" => "1", "within" => "0" }, { within: 0, changed: true }],
    [{ "limit" => "0" }, "limit: “0”"],
    [{ "limit" => "2x" }, "limit: “2x”"],
    [{ "gate" => "ready,needs" }, { gate: "ready,needs" }],
    [{ "gate" => "ready;needs" }, "gate:"],
    [{ "sort" => "-expiry" }, { sort: "-expiry" }],
    [{ "group" => "suffix" }, "group:"],
    [{ "q" => "x" * 201 }, "q:"],
    [{ "changed" => "maybe" }, "changed:"],
    [{ "q" => %w[a b] }, "q:"]
  ].freeze

  def test_queries
    QUERIES.each do |given, expected|
      if expected.is_a?(Hash)
        next assert_equal(expected, contract.check(contract.operation("names"), given), given)
      end

      problem =
        assert_raises(Web::Problem, given.to_s) do
          contract.check(contract.operation("names"), given)
        end
      assert_equal [422, true],
                   [problem.status, problem.to_json.include?(expected)],
                   problem.to_json
    end
  end

  # body => a part of the problem; nil where it is good
  BODIES = [
    ['{"name":"a.example","to":"x"}', nil],
    ["", "not JSON"],
    ["[]", "not an object"],
    ["{\"name\":\"a\"}", "to"],
    %w[{"name":"a","to":"x","more":1} more],
    ['{"name":"a","to":null}', "to: "],
    ["#{"[" * 30}#{"]" * 30}", "not JSON"]
  ].freeze

  def test_bodies
    BODIES.each do |text, says|
      unless says
        next assert_equal("a.example", contract.body(text, contract.operation("startMove"))["name"])
      end

      problem =
        assert_raises(Web::Problem, text[0, 40]) do
          contract.body(text, contract.operation("startMove"))
        end
      assert_equal [422, true],
                   [problem.status, problem.to_json.include?(says)],
                   problem.to_json[0, 200]
    end
    assert_equal utc("2027-03-01T07:00:00Z"), Web::Contract.instant("2027-03-01T08:00:00+01:00")
    assert_nil Web::Contract.instant(nil)
    assert_raises(Web::Problem) { Web::Contract.instant("noon") }
  end

  # Every reference leads somewhere, every operation has a name of its own and says what an error
  # looks like.
  def test_the_document_is_whole
    document = JSON.parse(contract.json)
    references = []
    walk =
      lambda do |value|
        case value
        when Hash
          references << value["$ref"] if value["$ref"]
          value.each_value(&walk)
        when Array
          value.each(&walk)
        end
      end
    walk.call(document)
    references.uniq.each { |r| refute_nil document.dig(*r.delete_prefix("#/").split("/")), r }
    operations = document["paths"].values.flat_map { |item| item.slice("get", "post").values }
    assert_equal operations.map { |o| o["operationId"] }.uniq.size, operations.size
    operations.each { |o| refute_nil o["summary"], o["operationId"] }
    used = references.grep(%r{/schemas/}).map { |r| r.split("/").last }
    assert_empty document.dig("components", "schemas").keys - used - %w[Problem],
                 "schemas that nothing uses"
  end
end

# What tests hold every answer against.
class DescribedTest < Minitest::Test
  def answer(path, body, status: 200)
    app = ->(_) { [status, { "content-type" => "application/json" }, [JSON.generate(body)]] }
    Described.new(app).call(Rack::MockRequest.env_for(path))
  end

  # path, status, body => is it described?
  ANSWERS = [
    ["/api/accounts/form", 200, { habits: [] }, true],
    ["/api/accounts/form", 200, { habits: [], bogus: 1 }, false],
    ["/api/accounts/form", 200, { habits: [{ bogus: 1 }] }, false],
    ["/api/accounts/form", 200, {}, false],
    ["/api/accounts/form", 418, { habits: [] }, false],
    ["/api/nowhere", 200, { bogus: 1 }, true]
  ].freeze

  def test_an_answer_that_the_contract_does_not_describe
    ANSWERS.each do |path, status, body, fine|
      next answer(path, body, status: status) if fine

      assert_raises(Described::Undescribed, "#{path} #{status} #{body}") do
        answer(path, body, status: status)
      end
    end
  end

  # Every change leaves a line with who, of a kind that the contract names; what leaves none says
  # why. Test::Described holds each answer to it.
  def test_every_change_names_its_lines
    SteadyMove::Web::ContractFiles.join["paths"].each_value do |item|
      item
        .slice("post")
        .each_value do |operation|
          id = operation["operationId"]
          kinds, because = operation.values_at("x-journal", "x-no-line")
          assert_equal [true, false],
                       [kinds, because].map { |v| !v.nil? }.sort_by { |v| v ? 0 : 1 },
                       "#{id}: x-journal, or x-no-line with the reason"
        end
    end
  end
end
