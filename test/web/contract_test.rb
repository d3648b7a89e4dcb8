# frozen_string_literal: true

require_relative "../test_helper"

# Requests held against the document.
class ContractTest < Minitest::Test
  Web = SteadyMove::Web

  def contract = @contract ||= Web::Contract.new

  # verb, path => operation and path parameters
  OPERATIONS = [
    ["get", "/api/names", "names", {}], ["get", "/api/names.csv", "namesTable", {}], ["get", "/api/names/report", "report", {}], ["get", "/api/names/a.example", "name", { "name" => "a.example" }],
    ["post", "/api/names/a.example/look", "lookUp", { "name" => "a.example" }], ["post", "/api/moves/7/call-off", "callOff", { "id" => "7" }], ["post", "/api/rulebook/overrides/3/take-back", "takeBackOverride", { "id" => "3" }]
  ].freeze

  def test_operations_by_path
    OPERATIONS.each do |verb, path, id, given|
      operation, found = contract.operation(verb, path)
      assert_equal [id, given], [operation["operationId"], found], path
    end
    [["post", "/api/desk"], ["get", "/api/nothing"], ["get", "/api/names/a/b/c"], ["get", "/api/namesXcsv"]].each { |verb, path| assert_nil contract.operation(verb, path), path }
  end

  # query => what it is understood as, or a part of the problem
  QUERIES = [
    [{ "limit" => "20", "q" => "x", "changed" => "true", "other" => "ignored" }, { q: "x", changed: true, limit: 20 }], [{ "changed" => "1", "within" => "0" }, { within: 0, changed: true }],
    [{ "limit" => "0" }, "limit: “0”"], [{ "limit" => "2x" }, "limit: “2x”"], [{ "gate" => "clear,fix" }, { gate: "clear,fix" }], [{ "gate" => "clear;fix" }, "gate:"], [{ "sort" => "-expiry" }, { sort: "-expiry" }],
    [{ "group" => "suffix" }, "group:"], [{ "q" => "x" * 201 }, "q:"], [{ "changed" => "maybe" }, "changed:"], [{ "q" => %w[a b] }, "q:"]
  ].freeze

  def test_queries
    QUERIES.each do |given, expected|
      next assert_equal(expected, contract.query("/api/names", given), given) if expected.is_a?(Hash)

      problem = assert_raises(Web::Problem, given.to_s) { contract.query("/api/names", given) }
      assert_equal [422, true], [problem.status, problem.to_json.include?(expected)], problem.to_json
    end
  end

  # body => a part of the problem; nil where it is good
  BODIES = [
    ['{"name":"a.example","to":"x"}', nil], ["", "not JSON"], ["[]", "not an object"], ["{\"name\":\"a\"}", "to"], ['{"name":"a","to":"x","more":1}', "more"], ['{"name":"a","to":null}', "to: "],
    ["#{'[' * 30}#{']' * 30}", "not JSON"], ["\"#{'x' * 5_000_000}\"", "larger than"]
  ].freeze

  def test_bodies
    BODIES.each do |text, says|
      next assert_equal("a.example", contract.body(text, "NewMove")["name"]) unless says

      problem = assert_raises(Web::Problem, text[0, 40]) { contract.body(text, "NewMove") }
      assert_equal [422, true], [problem.status, problem.to_json.include?(says)], problem.to_json[0, 200]
    end
    assert_equal utc("2027-03-01T07:00:00Z"), Web::Contract.instant("2027-03-01T08:00:00+01:00")
    assert_nil Web::Contract.instant(nil)
    assert_raises(Web::Problem) { Web::Contract.instant("noon") }
  end

  # Every reference leads somewhere, every operation has a name of its own and says what an error looks like.
  def test_the_document_is_whole
    document = JSON.parse(contract.json)
    references = []
    walk = lambda do |value|
      case value
      when Hash
        references << value["$ref"] if value["$ref"]
        value.each_value(&walk)
      when Array then value.each(&walk)
      end
    end
    walk.call(document)
    references.uniq.each { |r| refute_nil document.dig(*r.delete_prefix("#/").split("/")), r }
    operations = document["paths"].values.flat_map { |item| item.slice("get", "post").values }
    assert_equal operations.map { |o| o["operationId"] }.uniq.size, operations.size
    operations.each { |o| refute_nil o["summary"], o["operationId"] }
    used = references.grep(%r{/schemas/}).map { |r| r.split("/").last }
    assert_empty document.dig("components", "schemas").keys - used - %w[Problem], "schemas that nothing uses"
  end
end
