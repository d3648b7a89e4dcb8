# frozen_string_literal: true

require_relative "../test_helper"

class DomainNameTest < Minitest::Test
  UNDERSTOOD = {
    "ferry.example" => "ferry.example",
    "FERRY.Example." => "ferry.example",
    "https://www.ferry.example/tickets?x=1" => "ferry.example",
    "book.ferry.example:8443" => "ferry.example",
    "office@ferry.example" => "ferry.example",
    "fähre.example" => "xn--fhre-loa.example",
    "xn--fhre-loa.example" => "xn--fhre-loa.example"
  }.freeze
  REFUSED = {
    "" => "nothing is written", "ferry" => "has no suffix", "-ferry.example" => "must have 1 to 63",
    "fer ry" => "has no suffix", "#{'a' * 64}.example" => "must have 1 to 63"
  }.freeze

  def test_what_people_type_is_understood
    UNDERSTOOD.each { |typed, ascii| assert_equal ascii, domain(typed).ascii, typed }
  end

  def test_what_is_no_name_is_refused_with_the_reason
    REFUSED.each do |typed, reason|
      error = assert_raises(Core::Names::DomainName::Invalid, typed) { domain(typed) }
      assert_includes said(error.phrase), reason
    end
  end
end
