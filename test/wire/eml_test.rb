# frozen_string_literal: true

require_relative "../test_helper"
require "mail"

# Raw messages of every shape become text; built with the mail gem, a general library, or written
# out where that would not build them.
class EmlTest < Minitest::Test
  Eml = SteadyMove::Wire::Mail::Eml
  HEAD =
    "From: Notices <notices@reg.test>\r\nTo: names@office.test\r\nDate: Mon, 01 Mar 2027 " \
      "10:00:00 " \
      "+0100\r\nSubject: Code\r\n"

  # What is read of a message is bounded, whatever it is made of: [type, body, does it say more?].
  READ = SteadyMove::Core::Post::Bounds::READ
  LONG = [
    ["text/plain", "a line\r\n" * 100, false],
    ["text/plain", "a line\r\n" * READ, true],
    ["text/plain", "a" * (2 * READ), true],
    ["text/html", "<p>a</p>" * 100, false],
    ["text/html", "<p></p>" * 100, false],
    ["text/html", "<p></p>" * READ, true],
    ["text/html", "<a href='https://reg.test/'>a word</a>" * READ, true],
    ["text/html", "<p class='#{"x" * 1000}'>a</p>" * 400, true],
    ["text/html", "<p>a</p>#{"<!-- x -->" * READ}", true]
  ].freeze

  # A subject as somebody writes it => as it stands in lists and in the journal (Unicode, UAX #9).
  SUBJECTS = {
    "Your code" => "Your code",
    "\u202Egnp.exe" => "⟨U+202E⟩gnp.exe",
    "a\u2066b\u2069c" => "a⟨U+2066⟩b⟨U+2069⟩c",
    "a\nSettled by ada" => "a⟨U+000A⟩Settled by ada",
    "a\tb\u0007\e[31m" => "a⟨U+0009⟩b⟨U+0007⟩⟨U+001B⟩[31m",
    "a\u2028b\u200Bc\uFEFF" => "a⟨U+2028⟩b⟨U+200B⟩c⟨U+FEFF⟩",
    "\u0645\u06CC\u200C\u062E" => "\u0645\u06CC\u200C\u062E"
  }.freeze

  def test_what_misleads_stands_in_a_subject_as_a_sign
    SUBJECTS.each do |written, shown|
      coded = "=?utf-8?B?#{[written].pack("m0")}?="
      read = Eml.read("From: notices@reg.test\r\nSubject: #{coded}\r\n\r\nx")
      assert_equal shown, read.subject
      says = SteadyMove::Words.say(:"post.answers_letter", subject: read.subject)
      assert_equal "It answers our email “#{shown}”.", says
    end
  end

  def test_no_more_is_read_than_is_bounded
    LONG.each do |type, body, long|
      read = Eml.read("#{HEAD}Content-Type: #{type}\r\n\r\n#{body}")
      assert_equal long, read.long, "#{type} #{body[0, 40]}"
      texts = [read.text, read.marked, read.further, read.beside]
      assert(texts.all? { |text| text.length <= 3 * READ }, "#{type} #{texts.map(&:length)}")
      refute_match SteadyMove::Core::Post::Marks::ALL, read.text
    end
  end

  def test_head
    read = Eml.read("#{HEAD}Message-ID: <1@reg.test>\r\n\r\nText\r\n")
    assert_equal [
                   "notices@reg.test",
                   "names@office.test",
                   "Code",
                   utc("2027-03-01T09:00:00Z"),
                   "1@reg.test",
                   false
                 ],
                 [read.sender, read.recipient, read.subject, read.at, read.message_id, read.cut]
    twice =
      Eml.read(
        "Authentication-Results: mx.test; spf=softfail;\r\n dkim=fail (bad)\r\n" \
          "authentication-results: y.test; none\r\nReply-To: a@b.test, c@d.test\r\n" \
          "From: z@z.test\r\n#{HEAD}\r\nx"
      )
    assert_equal [
                   ["mx.test; spf=softfail; dkim=fail (bad)", "y.test; none"],
                   %w[a@b.test c@d.test],
                   %w[z@z.test notices@reg.test]
                 ],
                 [twice.results, twice.reply_to, twice.senders]
    assert_equal ["x@evil.test"], Eml.read("From: notices@reg.test <x@evil.test>\r\n\r\nx").senders
    assert_equal [""], Eml.read("From: (nobody)\r\n\r\nx").senders
    assert_equal "Zoë’s code",
                 Eml.read(
                   "#{
                     HEAD.sub("Subject: Code", "Subject: =?UTF-8?Q?Zo=C3=AB=E2=80=99s_code?=")
                   }\r\nx"
                 ).subject
    assert_nil Eml.read("From: a@b.test\r\nDate: yesterday\r\n\r\nx").at
  end

  # what stands behind the head => the text
  BODIES = [
    ["\r\nplain\r\n", "plain\n"],
    [
      "Content-Type: text/plain; charset=iso-8859-1\r\nContent-Transfer-Encoding: " \
        "8bit\r\n\r\nF\xE4hre".b,
      "Fähre"
    ],
    [
      "Content-Type: text/plain; charset=utf-8\r\nContent-Transfer-Encoding: 8bit\r\n\r\nF\xE4hre".b,
      "F\uFFFDhre"
    ],
    ["Content-Type: text/plain; charset=klingon\r\n\r\ntext", "text"],
    [
      "Content-Type: text/plain; charset=utf-8\r\nContent-Transfer-Encoding: " \
        "quoted-printable\r\n\r\nlong=\r\nline=20=C3=A4",
      "longline ä"
    ],
    [
      "Content-Type: " \
        "text/plain\r\nContent-Transfer-Encoding: " \
        "base64\r\n\r\nY29kZQ==\r\n",
      "code"
    ],
    [
      "Content-Type: text/html\r\n\r\n<html><head><style>p{}</style></head>" \
        "<body><script>alert(1)</script><p>One<br>two</p><a " \
        "href=\"https://reg.test/go\">here</a></body></html>",
      "One\ntwo\nhere https://reg.test/go"
    ],
    [
      "Content-Type: multipart/alternative; boundary=b\r\n\r\n--b\r\nContent-Type: " \
        "text/plain\r\n\r\nplain " \
        "part\r\n--b\r\nContent-Type: text/html\r\n\r\n<p>html part</p>\r\n--b--\r\n",
      "plain part"
    ],
    [
      "Content-Type: multipart/alternative; boundary=b\r\n\r\n--b\r\nContent-Type: " \
        "text/plain\r\n\r\nView this " \
        "message in HTML.\r\n--b\r\nContent-Type: text/html\r\n\r\n<p>The code of " \
        "&lt;tide.test&gt; and " \
        "<ferry.test> is below.</p><table><tr><td>a</td><td>b</td></tr></table>\r\n--b--\r\n",
      "The code of <tide.test> and <ferry.test> is below.\na\tb"
    ],
    [
      "Content-Type: multipart/mixed; boundary=b\r\n\r\n--b\r\nContent-Type: " \
        "text/plain\r\n\r\nseen\r\n--b\r\nContent-Type: text/plain\r\nContent-Disposition: " \
        "attachment; " \
        "filename=x.txt\r\n\r\nhidden\r\n--b--\r\n",
      "seen"
    ],
    [
      "Content-Type: multipart/alternative; boundary=b\r\n\r\n--b\r\nContent-Type: " \
        "text/plain\r\n\r\nnever ended",
      "never ended"
    ]
  ].freeze

  def test_bodies
    BODIES.each do |rest, text|
      assert_equal text.strip, Eml.read(HEAD.b + rest.b).text.strip, rest.inspect
    end
  end

  def test_a_message_forwarded_twice
    inner = "#{HEAD}\r\nThe authorization code is: abc123\r\n"
    twice =
      2
        .times
        .reduce(inner) do |message, _|
          "#{HEAD}Content-Type: multipart/mixed; boundary=f\r\n\r\n--f\r\nContent-Type: " \
            "text/plain\r\n\r\nSee " \
            "below.\r\n--f\r\nContent-Type: message/rfc822\r\n\r\n#{message}\r\n--f--\r\n".gsub(
            "boundary=f",
            "boundary=f#{message.length}"
          ).gsub("--f", "--f#{message.length}")
        end
    read = Eml.read(twice)
    assert_includes read.beside, "abc123"
    assert_equal ["See below.", true], [read.text, read.whole_text.include?("abc123")]
  end

  def test_deep_and_large_messages_are_bounded
    deep =
      (1..40).reduce("\r\ndeepest") do |inner, i|
        "Content-Type: multipart/mixed; boundary=b#{i}\r\n\r\n--b#{i}\r\n#{inner}\r\n--b#{i}--\r\n"
      end
    refute_includes Eml.read(HEAD + deep).text, "deepest"
    large = Eml.read("#{HEAD}\r\nfirst line\r\n#{"x" * 30_000_000}")
    assert_equal [true, true], [large.cut, large.text.start_with?("first line")]
    assert_operator large.text.bytesize, :<=, Eml::MOST * 1.01
  end

  def test_what_is_no_message
    ["", "  \r\n", "no head at all", "Subject: x\r\n\r\ny"].each do |raw|
      assert_raises(SteadyMove::Wire::Malformed, raw.inspect) { Eml.read(raw) }
    end
  end

  def test_random_octets_never_break_it
    random = Random.new(5322)
    300.times do
      raw =
        "#{HEAD}X-Any: ".b + random.bytes(random.rand(0..200)).delete("\r\n") +
          "\r\nContent-Type: #{
            %w[text/plain text/html multipart/mixed x].sample(random: random)
          }\r\n\r\n".b + random.bytes(random.rand(0..400))
      read =
        begin
          Eml.read(raw)
        rescue SteadyMove::Wire::Malformed
          next
        end
      assert_predicate read.text, :valid_encoding?
      assert_predicate read.subject, :valid_encoding?
    end
  end
end
