# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"

# Batches over the API: made, changed, reviewed, started, followed.
class WebBatchesTest < Minitest::Test
  include SignedIn

  NAMES = %w[slipway.example saltern-harbour.example oyster-smack-charter.example].freeze

  def new_world = BenchWorld.new(names_at: %w[millrace cobble gannet fairlead])

  def setup
    super
    sign_in
  end

  def worked(path, **body)
    status = send_to(path, **body)
    2000.times do
      break unless status == 202

      IO.select(nil, nil, nil, 0.02)
      get "/api/batch-work/#{answer["job"]}"
      status = last_response.status
    end
    assert_equal 200, status, last_response.body
    answer
  end

  def test_from_the_tray_to_the_journal
    assert_equal 201, send_to("/api/batches", names: [*NAMES, "nobody.example"], to: "orlop")
    id = answer["id"]
    assert_match(/nobody.example/, answer["left_out"].join)
    assert_equal 200,
                 send_to(
                   "/api/batches/#{id}",
                   title: "Spring",
                   trial: false,
                   blackouts: [%w[2027-04-20 2027-05-02]]
                 )
    review = worked("/api/batches/#{id}/review")
    rows = review["rows"].to_h { |r| [r["name"], r["startable"]] }
    assert_equal [true, true, false], rows.values_at(*NAMES)
    # The premium name's price is not known, and not in the sum.
    assert_equal(
      [902, 1],
      [review["sums"]["total"].sum { |a| a["minor"] }, review["sums"]["unpriced"]]
    )
    assert_equal 409, send_to("/api/batches/#{id}/approve")
    rehearsal = worked("/api/batches/#{id}/rehearse")
    assert_equal [100, 2, 3], [rehearsal["runs"], rehearsal["names"], rehearsal["range"].size]
    assert_operator rehearsal["endings"].find { |e| e["ending"] == "settled" }["share"], :>, 80
    assert(rehearsal["faults"].any? && rehearsal["asks"].all? { |a| a["at"].size == 3 })
    assert_equal(
      { "state" => "running" },
      worked("/api/batches/#{id}/start", shown: review["sums"]["total"])
    )
    world.runner.pass
    get "/api/batches/#{id}"
    assert_equal ["Spring", "running", 2], answer["batch"].values_at("title", "state", "moving")
    assert_equal 3, answer["range"].size
    # What can't be taken by the destination is held back with its reason, and can be sent
    # elsewhere.
    held = answer["members"].find { |m| m["name"] == NAMES.last }
    assert_equal ["held", true], [held["state"], held["says"].size > 20]
    assert_equal 200,
                 send_to(
                   "/api/batches/#{id}/names",
                   own: {
                     NAMES.last => {
                       "to" => "withy"
                     }
                   },
                   go_on: [NAMES.last]
                 )
    assert_equal({ "to" => "withy" }, answer["members"].find { |m| m["name"] == NAMES.last }["own"])
    assert_operator answer["lines"].size, :>=, 5
    assert_equal [200, "halted"],
                 [send_to("/api/batches/#{id}/steer", act: "halt"), answer["batch"]["state"]]
    get "/api/batches"
    assert_equal([[id, 2]], answer["batches"].map { |b| b.values_at("id", "moving") })
  end

  def test_only_an_approver_agrees
    send_to("/api/batches", names: NAMES.first(1), to: "orlop")
    id = answer["id"]
    send_to("/api/batches/#{id}", limit: { minor: 100, currency: "EUR" })
    review = worked("/api/batches/#{id}/review")
    assert_match(/above this batch/, review["above"].join)
    assert_equal(
      { "state" => "asked" },
      worked("/api/batches/#{id}/start", shown: review["sums"]["total"])
    )
    assert_equal [409, true],
                 [send_to("/api/batches/#{id}/approve"), answer["detail"].include?("second person")]
    assert_equal 404, (get("/api/batch-work/none") && last_response.status)
  end
end
