# frozen_string_literal: true

$LOAD_PATH.unshift File.expand_path("../lib", __dir__)
require "steady_move"
require "minitest/autorun"
require "time"

# Short names for what tests name often.
module Handy
  Core = SteadyMove::Core
  Records = SteadyMove::Core::Records

  def utc(text) = Time.iso8601(text).utc
  def domain(text) = Core::Names::DomainName.parse(text)
  def zone(text, origin = "tide.example") = Records::ZoneReader.read(text, origin: origin)
  def rulebook
    @rulebook ||=
      SteadyMove::Desk::Portfolio::Rulebooks.load(File.join(SteadyMove::ROOT, "config", "rulebook"))
  end

  # A sentence in words, from a Phrase or as it is.
  def said(phrase) = SteadyMove::Words.text(phrase)

  # Facts from {key => value}, all seen at one instant in one source.
  def facts(source: :public_record, at: utc("2027-03-01T08:00:00Z"), **values)
    values.map do |k, v|
      Core::Readiness::Fact.new(key: k, value: v, source: source, seen_at: at, ref: "test")
    end
  end
end
Minitest::Test.include(Handy)
