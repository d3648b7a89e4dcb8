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
    "" => "nothing is written",
    "ferry" => "has no suffix",
    "-ferry.example" => "must have 1 to 63",
    "fer ry" => "has no suffix",
    "#{"a" * 64}.example" => "must have 1 to 63"
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

  # RFC 3492 §6.2: a decoder must fail on overflow; RFC 3629 §3: no surrogates, nothing beyond
  # U+10FFFF.
  NO_PUNYCODE = [
    "xn--999999$generate",
    "xn--999999b",
    "xn--99999999",
    "xn--ih4b",
    "xn--",
    "xn--\u{e9}",
    "xn--a-\u{0}b",
    "xn--a-ecp.ru",
    "xn--\xff"
  ].freeze

  def test_what_is_no_punycode_is_no_name_whoever_reads_it
    random = Random.new(3)
    letters = "ab09-z\u{ff}".chars
    made =
      Array.new(400) do
        "xn--#{Array.new(random.rand(1..12)) { letters.sample(random: random) }.join}"
      end
    (NO_PUNYCODE + made).each do |label|
      [label, "#{label}.example", "#{label}.xn--999999b"].each do |typed|
        domain(typed)
      rescue Core::Names::DomainName::Invalid
        nil
      ensure
        assert_kind_of String, Core::Names::Idn.shown(typed)
        Core::Names::HostName.ascii(typed)
        Core::Post::Hosts.alike(typed, ["moor.test"])
      end
    end
  end

  # What a label decodes to, and whether it may be read so: RFC 5892 §2 (letters, marks, digits),
  # UTS #39 §5.2 (scripts that are not mixed); both from memory.
  READ = {
    "fähre" => true,
    "παράδειγμα" => true,
    "пример" => true,
    "ラーメン店" => true,
    "한국" => true,
    "l·l" => true,
    "a\u202eb" => false,
    "a\u00a0b" => false,
    "a/b" => false,
    "☃" => false,
    "a\u200bb" => false,
    "tаrn" => false,
    "νews" => false,
    "x\u2024y" => false
  }.freeze

  def test_what_misleads_stays_an_a_label
    READ.each do |label, read|
      ascii = "xn--#{SimpleIDN::Punycode.encode(label)}.example"
      assert_equal read ? "#{label}.example" : ascii, Core::Names::Idn.shown(ascii), label.dump
      name =
        begin
          domain(ascii)
        rescue Core::Names::DomainName::Invalid
          next
        end
      assert_equal Core::Names::Idn.shown(name.ascii), name.unicode, label.dump
    end
  end
end
