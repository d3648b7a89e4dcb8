# frozen_string_literal: true

require "timeout"
require_relative "../test_helper"

# Event streams: what is told, to whom, and when they end. The connection is a pipe.
class StreamsTest < Minitest::Test
  Hub = SteadyMove::Web::Hub

  def hub = @hub ||= Hub.new { 0 }
  def teardown = hub.close

  # A stream's reading end; what it says so far is read off.
  def listen(person = 1, of: hub, &here)
    reader, writer = IO.pipe
    of.stream(person, &here || -> { true }).call(writer)
    assert_includes heard(reader), "retry"
    reader
  end

  def heard(reader) = Timeout.timeout(5) { reader.readpartial(10_000) }
  def over?(reader) = Timeout.timeout(5) { reader.read }.empty?

  def test_what_changed_is_told_by_topic
    journal = [[1, "told before"]]
    watching =
      Hub.new(every: 0.01, topics: ->(seq) { journal.select { |n, _| n > seq }.map(&:last) }) do
        journal.size
      end
    watching.start
    reader = listen(of: watching)
    journal << [2, "moves"]
    assert_equal "event: changed\ndata: moves\n\n", heard(reader)
    watching.close
    assert over?(reader)
  end

  # A page that says up to where it knows is told at once what came after, and nothing else is.
  def test_a_page_is_told_what_it_missed
    journal = %w[names post moves]
    here = Hub.new(topics: ->(seq) { journal.drop(seq) }) { journal.size }
    {
      nil => nil,
      3 => nil,
      1 => "post moves",
      0 => "names post moves",
      4 => "all"
    }.each do |n, told|
      reader, writer = IO.pipe
      here.stream(1, since: n) { true }.call(writer)
      missed = told ? "event: changed\ndata: #{told}\n\n" : ""
      assert_equal "retry: 1000\n\n#{missed}", heard(reader), n.inspect
    end
    here.close
  end

  # What nobody foresaw ends no stream: it is told once, and changes are told when it is over.
  def test_an_error_ends_no_stream
    seq = 1
    broken = false
    errors = Queue.new
    watching =
      Hub.new(
        every: 0.01,
        on_error: ->(e) { errors << e.message },
        topics: ->(_) { broken ? raise(KeyError, "nobody foresaw it") : ["moves"] }
      ) { seq }
    watching.start
    reader = listen(of: watching)
    broken = true
    seq = 2
    assert_equal "nobody foresaw it", Timeout.timeout(5) { errors.pop }
    Thread.pass until watching.beat_age > 0.05
    assert_empty errors
    broken = false
    assert_equal "event: changed\ndata: moves\n\n", heard(reader)
    watching.close
  end

  def test_a_removed_persons_stream_ends_and_the_others_go_on
    here = true
    removed = listen(1) { here }
    other = listen(2)
    hub.notify(%w[people])
    assert_equal(2, [removed, other].count { |r| heard(r).include?("people") })
    here = false
    hub.notify(%w[moves])
    assert over?(removed), "nothing is told to whoever is no longer signed in"
    assert_includes heard(other), "moves"
    assert_equal 1, hub.open
  end

  def test_streams_are_limited_for_each_person
    Hub::OWN_MOST.times { listen(1) }
    assert_nil hub.stream(1) { true }
    assert hub.stream(2) { true }
  end

  def test_a_page_that_takes_nothing_is_let_go
    listen(1)
    reader = listen(2)
    lines = 0
    while (lines += 1) < 5000 && hub.notify(["x" * 100]) && hub.open == 2
      heard(reader)
    end
    assert_equal 1, hub.open
    assert_includes heard(reader), "x" if hub.notify(["x"])
  end

  # What hinders the whole desk is told as soon as it is known, though nothing can be written down.
  def test_trouble_is_told
    trouble = nil
    watching = Hub.new(every: 0.01, trouble: -> { trouble }) { 0 }
    watching.start
    reader = listen(of: watching)
    trouble = "The disk is full."
    assert_equal "event: changed\ndata: \n\n", heard(reader)
    watching.close
  end

  # One that was asked for and never taken is nobody's.
  def test_a_stream_that_nobody_takes_is_let_go
    assert hub.stream(1) { true }
    hub.notify
    assert_equal 1, hub.open
    late = Process.clock_gettime(Process::CLOCK_MONOTONIC) + Hub::BEAT + 1
    Process.stub(:clock_gettime, late) { hub.notify }
    assert_equal 0, hub.open
  end
end
