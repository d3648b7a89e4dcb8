# frozen_string_literal: true

require_relative "../test_helper"
require "open3"

# Names against Debian's libpsl (its own Public Suffix List) and libidn2 (IDNA 2008, UTS #46).
class NamesStandardsTest < Minitest::Test
  LIST = "/usr/share/publicsuffix/public_suffix_list.dat"

  # Suffixes that both copies of the list know, wildcards and exceptions among them.
  def suffixes
    debian =
      File
        .readlines(LIST, chomp: true, encoding: "UTF-8")
        .take_while { |l| !l.include?("BEGIN PRIVATE") }
        .grep_v(%r{\A(//|\s*\z)})
    ours =
      PublicSuffix::List
        .default
        .each
        .reject(&:private)
        .to_h { |r| [r.value, r.class.name[/\w+\z/]] }
    debian.filter_map do |rule|
      kind = { "*" => "Wildcard", "!" => "Exception" }.fetch(rule[0], "Normal")
      bare = rule.delete_prefix("*.").delete_prefix("!")
      [bare, kind] if ours[bare] == kind
    end
  end

  def test_registrable_names_as_libpsl_finds_them
    sample =
      suffixes.sample(320, random: Random.new(3)) +
        suffixes.reject { |_, kind| kind == "Normal" }.first(40)
    hosts =
      sample
        .flat_map do |bare, kind|
          kind == "Exception" ? ["www.#{bare}"] : ["a.b.c.#{bare}", "one.#{bare}"]
        end
        .uniq
    said, status =
      Open3.capture2(
        "psl",
        "--print-reg-domain",
        "--load-psl-file",
        LIST,
        stdin_data: hosts.join("\n")
      )
    assert_predicate status, :success?
    theirs = said.lines(chomp: true).map { |l| l[/: (.+)\z/, 1] }
    assert_operator hosts.size, :>=, 300
    hosts.zip(theirs) do |host, registrable|
      ours =
        begin
          Core::Names::DomainName.parse(host).unicode
        rescue Core::Names::DomainName::Invalid
          nil
        end
      assert_equal registrable, ours || "(null)", host
    end
  end

  ALPHABETS = %w[
    abcdefghijklmnopqrstuvwxyz0123456789
    àáâãäåæçèéêëìíîïñòóôõöøùúûüýÿœš
    ABCÄÖÜÉÈÑÅØ
    αβγδεζηθικλμνξοπρστυφχψω
    абвгдежзийклмнопрстуфхцчшщ
    島渡船場北海道港口
    あいうえおかきくけこ
    אבגדהוזחט
  ].freeze

  def test_international_names_as_libidn2_writes_them
    random = Random.new(5)
    names =
      Array.new(400) do |i|
        "#{
          Array
            .new(random.rand(2..14)) { ALPHABETS[i % ALPHABETS.size].chars.sample(random: random) }
            .join
        }.example"
      end
    said, status = Open3.capture2("idn2", "--no-alabelroundtrip", stdin_data: names.join("\n"))
    assert_predicate status, :success?
    names.zip(said.lines(chomp: true)) do |name, theirs|
      parsed = Core::Names::DomainName.parse(name)
      assert_equal theirs, parsed.ascii, name
      assert_equal parsed, Core::Names::DomainName.parse(parsed.ascii)
    end
  end
end
