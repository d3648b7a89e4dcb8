# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"
require "open3"

# A person's calendar feed: read by a general library (Debian's python3-icalendar), under an address
# that is secret and can be renewed.
class CalendarTest < Minitest::Test
  include SignedIn

  READ = <<~PYTHON
    import sys, icalendar, json
    c = icalendar.Calendar.from_ical(sys.stdin.buffer.read())
    print(json.dumps([[str(e['UID']), str(e['SUMMARY']), e['DTSTART'].dt.isoformat()] for e in c.walk('VEVENT')]))
  PYTHON

  def setup
    super
    sign_in
  end

  def events(path)
    get path
    assert_equal 200, last_response.status
    said, status =
      Open3.capture2("/usr/bin/python3", "-c", READ, stdin_data: last_response.body, binmode: true)
    assert_predicate status, :success?
    JSON.parse(said)
  end

  def path_of(address) = URI(address).path

  def test_deadlines_forecasts_and_expiries
    id = world.start("isles-timetable.example", to: "orlop")
    world.until_true(most: 200, what: "the release") do
      world.move(id).state.with_trait(:approval).active?
    end
    send_to("/api/me/calendar")
    path = path_of(answer["address"])
    clear_cookies
    found = events(path).to_h { |uid, title, at| [uid, [title, at]] }
    release = world.move(id).state.with_trait(:approval).step.id
    assert_equal [
                   "Yours: Approve the release of isles-timetable.example at Tarnbeck Names",
                   world.move(id).state.deadline.strftime("%Y-%m-%dT%H:%M:%S+00:00")
                 ],
                 found["move-#{id}-#{release}@steady-move"]
    assert_includes found.keys, "forecast-#{id}@steady-move"
    expiries = found.keys.grep(/\Aexpiry-/)
    assert_operator expiries.size, :>, 3
    assert_equal 1, events("#{path}?mine=true").size
    assert_empty events("#{path}?client=Lanternroom")
    %w[isles-timetable.example harbourpass.example].each do |name|
      SteadyMove::Desk::Portfolio::Notes.new(world.app).put(
        name,
        "client",
        "Lanternroom",
        by: "ada"
      )
    end
    kinds = events("#{path}?client=Lanternroom").map { |uid, _| uid[/\A[a-z]+/] }
    assert_equal({ "move" => 1, "forecast" => 1, "expiry" => 2 }, kinds.tally)
    refute_match(
      /#{Regexp.escape(world.world.registry.find("isles-timetable.example")[:auth_info])}/,
      last_response.body
    )
  end

  def test_the_address_is_renewed_and_ended
    send_to("/api/me/calendar")
    first = path_of(answer["address"])
    send_to("/api/me/calendar")
    second = path_of(answer["address"])
    get first
    assert_equal 404, last_response.status
    get "/api/me/calendar"
    assert_equal [true, nil], [!answer["made_at"].nil?, answer["address"]], "shown once"
    send_to("/api/me/calendar/end")
    get second
    assert_equal 404, last_response.status
    refute_includes @log.string, second.split("/").last, "no log holds it"
  end
end
