# frozen_string_literal: true

require_relative "../test_helper"
require "csv"

# Lists of names and codes in the forms that registrars' pages take; read back by Ruby's CSV library
# (RFC 4180).
class OrderListTest < Minitest::Test
  L = Core::Codes::OrderList
  CODES = [
    "plain27",
    "a,b",
    'with "quotes"',
    "semi;colon",
    " outer",
    "tab\there",
    ",",
    '"',
    "a\nb"
  ].freeze
  FORMS = [
    {},
    { "separator" => ";", "header" => "name;code", "quoting" => "needed" },
    { "separator" => "\t", "quoting" => "never" },
    { "separator" => ",", "quoting" => "always" }
  ].freeze

  def test_what_is_written_is_read_back_by_another_library
    FORMS.each do |habits|
      form = L.form(habits)
      pairs = CODES.each_with_index.map { |code, i| ["n#{i}.example", code] }
      text, apart = L.write(pairs, form)
      quote = form.quoting == "never" ? "\x00" : '"'
      rows =
        CSV.parse(text, col_sep: form.separator, quote_char: quote, headers: !form.header.nil?).map(
          &:to_a
        )
      rows = rows.map { |r| r.map(&:last) } if form.header
      assert_equal pairs.to_h.except(*apart).to_a, rows, habits.inspect
      assert_equal pairs.reject { |_, code| L.fits?(code, form) }.map(&:first), apart
    end
  end

  def test_a_name_that_needs_no_code_stands_alone
    assert_equal ["a.example\nb.example;c\n", []],
                 L.write([["a.example", ""], %w[b.example c]], L.form("separator" => ";"))
  end

  # form, code => can it stand in a list?
  FITS = [
    [{ "quoting" => "never" }, "a,b", false],
    [{ "quoting" => "never" }, "a;b", true],
    [{}, "a,b", true],
    [{}, "a\nb", false],
    [{ "separator" => "\t", "quoting" => "never" }, 'say "hi"', false]
  ].freeze

  def test_a_code_that_would_break_the_line_is_found_before
    FITS.each do |habits, code, fits|
      assert_equal fits, L.fits?(code, L.form(habits)), [habits, code].inspect
    end
  end
end
