# frozen_string_literal: true

require_relative "../test_helper"
require "stringio"

class FramingTest < Minitest::Test
  Framing = SteadyMove::Wire::Epp::Framing
  Wire = SteadyMove::Wire

  def test_a_unit_is_its_length_and_its_text
    io = StringIO.new("".b)
    Framing.write(io, "<é/>")
    assert_equal "\x00\x00\x00\x09<\xC3\xA9/>".b, io.string
    io.rewind
    assert_equal "<é/>", Framing.read(io)
    assert_nil Framing.read(io)
  end

  # octets => the error and a part of its sentence
  BROKEN = {
    "\x00\x00" => [Wire::Unreachable, "ended inside"],
    "\x00\x00\x00\x10abc" => [Wire::Unreachable, "ended inside"],
    "\x00\x00\x00\x04" => [Wire::Malformed, "4 octets"],
    "\x7f\xff\xff\xff" => [Wire::Malformed, "5 to"]
  }.freeze

  def test_broken_units
    BROKEN.each do |octets, (error, says)|
      raised = assert_raises(error) { Framing.read(StringIO.new(octets.b)) }
      assert_includes raised.message, says
    end
  end

  ODD = {
    "<!DOCTYPE epp [<!ENTITY x SYSTEM \"file:///etc/passwd\">]><epp " \
      "xmlns=\"urn:ietf:params:xml:ns:epp-1.0\">&x;</epp>" =>
      "document type",
    "<epp xmlns=\"urn:ietf:params:xml:ns:epp-1.0\">" => "not well-formed",
    "<html/>" => "not <epp>",
    "<epp xmlns=\"urn:ietf:params:xml:ns:epp-1.0\"><greeting/></epp>" => "not a response"
  }.freeze

  def test_odd_messages_are_refused_with_the_reason
    ODD.each do |xml, says|
      assert_includes assert_raises(Wire::Malformed) { Wire::Epp::Response.parse(xml) }.message,
                      says
    end
  end
end
