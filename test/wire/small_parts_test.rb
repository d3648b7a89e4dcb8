# frozen_string_literal: true

require_relative "../test_helper"

# Parts of the wire too small for a file of their own.
class SmallPartsTest < Minitest::Test
  Wire = SteadyMove::Wire
  AT = Time.utc(2027, 3, 8, 8)

  # RFC 5545 §3.6.1: an event may have an end and an address, or neither (an instant).
  def test_events_of_a_calendar
    plain = { id: "m1", title: "It lands", starts: AT }
    whole = { ends: AT + 3600, url: "https://desk.example/moves/1", text: "at noon", alarm: 900 }
    texts =
      [plain, { **plain, **whole }].map do |given|
        Wire::Calendar::Feed.write([Wire::Calendar::Feed::Event.new(**given)], name: "d", at: AT)
      end
    marks = %w[DTEND URL DESCRIPTION:at VALARM]
    assert_equal([[], marks], texts.map { |text| marks.select { |m| text.include?(m) } })
    assert(texts.all? { |t| t.include?("DTSTART:20270308T080000Z") })
  end

  # A deadline that has passed runs nothing.
  def test_a_deadline
    ran = false
    assert_raises(Wire::Deadline::Passed) { Wire::Deadline.new(0).hold { ran = true } }
    refute ran
    assert_equal(7, Wire::Deadline.new(60).hold { 7 })
    assert_raises(Wire::Deadline::Passed) { Wire::Deadline.new(0.01).hold { Queue.new.pop } }
  end
end
