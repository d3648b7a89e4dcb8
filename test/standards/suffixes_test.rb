# frozen_string_literal: true

require_relative "../test_helper"
require "open3"

# The generic family against Debian's Public Suffix List, another copy than the desk reads, and
# against libpsl.
class SuffixesTest < Minitest::Test
  DEBIAN = "/usr/share/publicsuffix/public_suffix_list.dat"
  # Of the two lists one is older: a registry may have ended since.
  ENDED = 60

  def generic = SteadyMove::Desk::Portfolio.const_get(:GenericSuffixes).all

  def test_every_suffix_that_debians_list_marks_as_generic
    theirs = SteadyMove::Desk::Portfolio.const_get(:GenericSuffixes).all(DEBIAN)
    assert_operator theirs.size, :>, 1000
    assert_operator (theirs - generic).size, :<, ENDED
    (theirs & generic).each do |suffix|
      assert_equal "gtld",
                   rulebook.family_of(Core::Names::DomainName.held("a.#{suffix}")).id,
                   suffix
    end
  end

  # libpsl's own word: each is a public suffix, and the section holds no country's.
  def test_libpsl_knows_them_as_suffixes
    some = generic.each_slice(40).map(&:first)
    out, = Open3.capture2("psl", "--is-public-suffix", *some)
    answers = out.lines.map { |l| l[/: (\d)/, 1] }
    assert_operator answers.count("1"), :>, some.size * 0.9, out
    assert_empty(generic.reject { |s| s.length > 2 }, "two letters are a country's")
  end

  # Older generic suffixes stand by name (from memory; ICANN's agreements).
  def test_the_older_generic_ones
    %w[
      com
      net
      org
      info
      biz
      name
      pro
      mobi
      jobs
      travel
      asia
      cat
      tel
      aero
      coop
      museum
      post
      xxx
    ].each do |suffix|
      assert_equal "gtld",
                   rulebook.family_of(Core::Names::DomainName.held("a.#{suffix}")).id,
                   suffix
    end
    assert_nil rulebook.family_of(Core::Names::DomainName.held("a.zz"))
  end

  # The Public Suffix List's own test file: [domain, registrable domain or nil] (publicsuffix.org,
  # test_psl.txt).
  TESTS = "/usr/share/doc/publicsuffix/examples/test_psl.txt"
  LINE = /checkPublicSuffix\((?:'([^']*)'|null), (?:'([^']*)'|null)\);/

  def test_what_is_the_registrable_part
    rows =
      File
        .foreach(TESTS, encoding: "UTF-8")
        .filter_map { |l| !l.start_with?("//") && (m = LINE.match(l)) && [m[1], m[2]] }
    assert_operator rows.size, :>, 60
    rows.each do |host, expected|
      next if host.nil? || host.start_with?(".")

      assert_equal [expected && Core::Names::HostName.ascii(expected)], [registrable(host)], host
    end
  end

  # The name that is meant by a host, as the desk takes it in; nil for a bare suffix.
  def registrable(host)
    Core::Names::DomainName.parse(host).ascii
  rescue Core::Names::DomainName::Invalid
    nil
  end
end
