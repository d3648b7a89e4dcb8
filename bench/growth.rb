# frozen_string_literal: true

require_relative "../test/support/readers"

# How the time of each reader grows with its input: 1, 2, 4 and 8 times as much, and the exponent
# between the last two. Nothing is worse than n log n, which shows as about 1.
module Growth
  SMALLEST = 16 * 1024
  HEAD = "From: a@tarnbeck.example\r\nTo: b@tide.example\r\nSubject: tide.example\r\n"
  REPORT =
    "Content-Type: multipart/report; boundary=b\r\n\r\n--b\r\nContent-Type: " \
      "message/delivery-status\r\n\r\n"
  EPP = '<epp xmlns="urn:ietf:params:xml:ns:epp-1.0"><response>%s</response></epp>'
  # What once was worse: reader, what it is made of, the input of about n octets.
  NASTY = [
    ["mail", "tabs", ->(n) { "#{HEAD}\r\nauthorization code: #{"\t" * n}" }],
    ["mail", "letters that fold", ->(n) { "#{HEAD}\r\nis#{"s" * n}.example" }],
    [
      "mail",
      "a bounce",
      ->(n) { HEAD + REPORT + ("Final-Recipient: rfc822; a@b.example\r\n" * (n / 38)) }
    ],
    ["mail", "labels", ->(n) { "#{HEAD}\r\n#{"authorization code: " * (n / 20)}" }],
    [
      "mail",
      "codes",
      ->(n) { "#{HEAD}\r\n#{(1..(n / 30)).map { |i| "tide.example: Ab3dEf#{i}x9\r\n" }.join}" }
    ],
    ["mail", "dates", ->(n) { "#{HEAD}\r\nPlease answer #{"by 1 March 2027 " * (n / 16)}" }],
    ["mail", "links", ->(n) { "#{HEAD}\r\n#{"to approve: http://a.example/x\r\n" * (n / 32)}" }],
    [
      "mail",
      "links in HTML",
      ->(n) { "#{HEAD}Content-Type: text/html\r\n\r\n#{"<a href=x.example/y>z</a> " * (n / 26)}" }
    ],
    ["mail", "cells", ->(n) { "#{HEAD}Content-Type: text/html\r\n\r\n#{"<td></td>" * (n / 9)}" }],
    ["mail", "parentheses in From", ->(n) { "From: #{"(" * n}\r\n\r\nx" }],
    [
      "mail",
      "Authentication-Results",
      ->(n) { "Authentication-Results: mx; #{"a;" * (n / 2)}\r\n#{HEAD}\r\nx" }
    ],
    ["code list", "one name many times", ->(n) { "tide.example,Ab3dEf9k\n" * (n / 22) }],
    [
      "code list",
      "many codes of one name",
      ->(n) { (1..(n / 24)).map { |i| "tide.example,Ab3d-#{i}\n" }.join }
    ],
    ["names typed", "labels", ->(n) { "www.a." * (n / 6) }],
    [
      "EPP response",
      "attributes",
      ->(n) { format(EPP, "<a #{(1..(n / 10)).map { |i| "b#{i}='x'" }.join(" ")}/>") }
    ],
    [
      "EPP response",
      "results",
      ->(n) { format(EPP, "<result code='1000'><msg>x</msg></result>" * (n / 41)) }
    ],
    ["table", "empty lines", ->(n) { "Domain;Expiry\n#{"\n" * n}" }],
    [
      "zone file",
      "records",
      ->(n) do
        "$TTL 1\n@ SOA a b 1 1 1 1 1\n#{(1..(n / 22)).map { |i| "h#{i} A 192.0.2.1\n" }.join}"
      end
    ],
    ["zone file", "parentheses", ->(n) { "$TTL 1\n@ TXT #{"(" * n}" }]
  ].freeze

  # One row for each reader and input.
  def growth
    readers = Readers.all.to_h { |r| [r.name, r] }
    NASTY.each do |name, what, make|
      times = [1, 2, 4, 8].map { |k| least(readers.fetch(name), make.call(k * SMALLEST)) }
      figure("#{name}: #{what}, #{8 * SMALLEST / 1024} kB", format("%.2f s", times.last), "–")
      figure("  exponent", format("%.2f", Math.log2(times[3] / [times[2], 0.0005].max)), "1.3")
    end
  end

  private

  # The shortest of three: what disturbs only makes it longer.
  def least(reader, input)
    Array.new(3) { time { guarded(reader, input) } }.min
  end

  def guarded(reader, input)
    reader.read.call(input)
  rescue *reader.errors
    nil
  end
end
