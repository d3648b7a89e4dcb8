# frozen_string_literal: true

require_relative "../test_helper"

# What is pasted is understood before anything is kept. Dates against Ruby's own calendar (Date);
# tables against RFC 4180; what columns are called and how sums are written: common practice, no
# source.
class ImportsTest < Minitest::Test
  I = SteadyMove::Core::Imports
  Amount = SteadyMove::Core::Money::Amount
  DomainName = SteadyMove::Core::Names::DomainName

  # text => is it a table, what its columns hold, how many rows
  SHAPES = [
    ["a.example b.example", false, ["name"], 2],
    ["a.example, b.example\nc.example; d.example", false, ["name"], 4],
    ["a.example # kept for the cats\n#all of this\nb.example", false, ["name"], 2],
    ["https://a.example/x # of old\nbad_name.example; b.example", false, ["name"], 3],
    ["https://x.example/#part", false, ["name"], 1],
    [" \n\n , ;", false, ["name"], 0],
    ["a.example\tns1.host.example\nb.example\tns1.host.example", true, %w[name name_servers], 2],
    ["a.example;2027-03-01\nb.example;2027-05-01", true, %w[name expires_at], 2],
    ["a.example\tTide Names\nb.example\tTide Names", true, %w[name account], 2],
    ["a.example,x@y.example", true, %w[name registrant_email], 1],
    ["Status,Domain\nok,a.example", true, [nil, "name"], 1],
    ["Domain\tExpires\r\n\r\na.example\t1 May 2027\r\n", true, %w[name expires_at], 1],
    ["Domain;Note\na.example;\"two\nlines; here\"", true, %w[name note], 1],
    ["Domain;Note\na.example;\"open", true, %w[name note], 1]
  ].freeze

  def test_what_is_a_table
    SHAPES.each do |text, table, kinds, rows|
      found = I::Table.new(text, accounts: ["Tide Names"])
      assert_equal [table, kinds, rows], [found.table?, found.kinds, found.rows.size], text
    end
    assert_equal "two\nlines; here", I::Table.new(SHAPES[-2].first).rows.first.cells.last
    assert_equal 2, I::Table.new("a.example;1\n", as: "names").rows.size
    assert_predicate I::Table.new("a.example;b.example\n", as: "table"), :table?
  end

  # What this desk gives out it takes in.
  def test_its_own_table
    header = SteadyMove::Desk::Portfolio::NameTable::HEADER
    kinds = I::Table.new("#{header.join(",")}\n#{(["a.example"] * header.size).join(",")}").kinds
    known = %w[name account client expires_at lock privacy auto_renew name_servers stay_price]
    assert_equal [*known, "currency"], kinds.compact
  end

  FIRST_OF_MARCH = ["2027-03-01"] * 4

  # cells of one column, which figure comes first => the dates; nil where it can't be told; is it
  # asked?
  DATES = [
    [%w[2027-03-01 2027/3/1 2027.03.01 2027-03-01T08:00:00Z], nil, FIRST_OF_MARCH, nil],
    [["1 Mar 2027", "March 1, 2027", "1. März 2027", "01-Mar-27"], nil, FIRST_OF_MARCH, nil],
    [%w[13/02/2027 03/04/2027], nil, %w[2027-02-13 2027-04-03], nil],
    [%w[02/13/2027 03/04/2027], nil, %w[2027-02-13 2027-03-04], nil],
    [%w[13.02.27 3.4.27], nil, %w[2027-02-13 2027-04-03], nil],
    [%w[03/04/2027 05/05/2027], nil, [nil, "2027-05-05"], :order],
    [%w[03/04/2027], "day", %w[2027-04-03], nil],
    [%w[03/04/2027], "month", %w[2027-03-04], nil],
    [%w[13/02/2027 02/13/2027 03/04/2027], nil, ["2027-02-13", "2027-02-13", nil], :order],
    [["31/02/2027", "soon", "2027", "29 Feb 2028"], nil, [nil, nil, nil, "2028-02-29"], nil]
  ].freeze

  def test_dates
    DATES.each do |cells, order, days, asked|
      found = I::Days.read(cells, order)
      read = found.read.map { |day| day.is_a?(Date) ? day.iso8601 : nil }
      assert_equal [days, asked], [read, found.question], cells.inspect
    end
    days = Date.new(2027, 1, 1)..Date.new(2028, 12, 31)
    %w[%d/%m/%Y %Y-%m-%d %d.%m.%y].each do |form|
      assert_equal days.to_a, I::Days.read(days.map { |d| d.strftime(form) }, nil).read, form
    end
  end

  # cells of one column, what was settled => the sums; nil where one can't be told; what is asked
  SUMS = [
    [["9.90 EUR", "EUR 9,90", "9,90 €", "€9.90"], {}, ["9.90 EUR"] * 4, nil],
    [["1.250,00 €", "1.250 €"], {}, ["1250.00 EUR"] * 2, nil],
    [["1,250.00 GBP", "1,250 GBP"], {}, ["1250.00 GBP"] * 2, nil],
    [["1.250 €"], {}, [nil], :decimal],
    [["1.250 €"], { decimal: "comma" }, ["1250.00 EUR"], nil],
    [["1.250 KWD"], { decimal: "point" }, ["1.250 KWD"], nil],
    [%w[$12.00 12], {}, [nil, nil], :currency],
    [["$12.00", "7 GBP per year"], { currency: "USD" }, ["12.00 USD", "7.00 GBP"], nil],
    [["1 250,50 SEK", "1'250.50 CHF"], {}, ["1250.50 SEK", "1250.50 CHF"], nil],
    [["990 JPY", "9.90 JPY", "cheap", "1.2.3 EUR"], {}, ["990 JPY", nil, nil, nil], nil]
  ].freeze

  def test_sums
    SUMS.each do |cells, settled, sums, asked|
      found = I::Prices.read(cells, I::Cells::Settled.new(**settled))
      read = found.read.map { |sum| sum.is_a?(Amount) ? sum.to_s : nil }
      assert_equal [sums, asked], [read, found.question], cells.inspect
    end
  end

  # What was chosen counts: rows left out, cells mended, columns read otherwise.
  def test_choices
    text = "Domain;Expiry;Name servers\na.example;soon;no host!\na.example;;\n-b-;;\n"
    assert_equal [%i[new twice no_name], 1], fates(text)
    assert_equal [%i[out new no_name], 0], fates(text, left_out: [0])
    mended = { 0 => { 1 => "2027-05-01", 2 => "ns1.x.example" }, 2 => { 0 => "b.example" } }
    assert_equal [%i[new twice new], 0], fates(text, mended: mended)
    assert_equal [%i[new twice no_name], 0], fates(text, kinds: ["name", nil, "note"])
    assert_equal [%i[known twice no_name], 1], fates(text, held: ["a.example"])
    twice = { kinds: %w[name expires_at expires_at] }
    assert_equal [%i[new], 0], fates("a.example;2027-05-01;soon\n", **twice)
  end

  def fates(text, held: [], **chosen)
    choices = I::Choices.none
    chosen.each { |key, value| choices[key] = value }
    seen =
      I::Preview.new(I::Table.new(text), choices, known: held.method(:include?)) do |typed|
        [DomainName.parse(typed), nil]
      rescue DomainName::Invalid => e
        [nil, e.phrase]
      end
    [seen.lines.map(&:fate), seen.counts[:unread]]
  end
end
