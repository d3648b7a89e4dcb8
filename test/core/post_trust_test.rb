# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/post_reading"

# Who wrote it, and where its links lead.
class PostTrustTest < Minitest::Test
  include PostReading

  MX = "mx.test"
  DKIM = "#{MX}; dkim=pass header.d=reg.test".freeze
  ASKS = "Please approve the transfer of ferry.example"

  # Where anybody may have an address only the whole one is known (a domain of the Public Suffix
  # List's private part).
  ANYBODY = {
    domains: %w[reg.test bo@blogspot.com],
    results: ["#{MX}; dkim=pass header.d=blogspot.com"]
  }.freeze

  # results, or what else is odd => state, a part of what is said (RFC 8601, RFC 7489)
  SENDERS = [
    [{ results: [DKIM] }, "proven", "found the sender true"],
    [{ results: ["#{MX}; spf=pass smtp.mailfrom=bounce@mail.reg.test"] }, "proven", nil],
    [{ results: ["#{MX} 1; dmarc=pass header.from=reg.test"] }, "proven", nil],
    [
      { results: ["MX.Test; dkim=pass (2048 bit) header.d=reg.test header.i=@reg.test"] },
      "proven",
      nil
    ],
    [
      { results: ["#{MX}; spf=pass smtp.mailfrom=mailer.test; dkim=pass header.d=reg.test"] },
      "proven",
      nil
    ],
    [
      { results: ["#{MX}; spf=softfail smtp.mailfrom=x.test; dkim=pass header.d=reg.test"] },
      "proven",
      nil
    ],
    [{ results: [] }, "unproven", "says nothing"],
    [{ results: ["#{MX}; none"] }, "unproven", "says nothing"],
    [{ results: ["#{MX}; dkim=temperror header.d=reg.test; spf=neutral"] }, "unproven", nil],
    [{ results: ["other.test; dkim=pass header.d=reg.test"] }, "unproven", nil],
    [{ results: ["other.test; dmarc=fail header.from=reg.test"] }, "unproven", nil],
    [{ results: ["#{MX}; spf=pass smtp.helo=reg.test"] }, "unproven", nil],
    [{ results: ["#{MX}; dkim=pass"] }, "unproven", nil],
    [
      { results: ["#{MX}; dmarc=fail header.from=reg.test; dkim=pass header.d=reg.test"] },
      "doubtful",
      "false (dmarc)"
    ],
    [{ results: ["#{MX}; dkim=fail header.d=reg.test"] }, "unproven", nil],
    [
      { results: ["#{MX}; dkim=fail header.d=reg.test; spf=pass smtp.mailfrom=reg.test"] },
      "proven",
      nil
    ],
    [{ results: ["#{MX}; spf=fail smtp.mailfrom=reg.test"] }, "doubtful", "false (spf)"],
    [{ results: ["#{MX}; spf=pass smtp.mailfrom=\"a@reg.test\"@evil.test"] }, "doubtful", nil],
    [{ results: ["#{MX}; dkim=pass header.i=\"a@reg.test\"@evil.test"] }, "doubtful", nil],
    [{ results: ["#{MX}; dkim=pass header.i=\"a@evil.test\"@reg.test"] }, "proven", nil],
    [{ results: ["#{MX}; spf=none reason=\"x; dkim=pass header.d=reg.test"] }, "unproven", nil],
    [{ results: ["#{MX}; spf=none (x; dkim=pass header.d=reg.test"] }, "unproven", nil],
    [{ results: [DKIM, "#{MX}; spf=fail smtp.mailfrom=reg.test"] }, "doubtful", "contradicts"],
    [{ results: [DKIM, "#{MX}; spf=neutral smtp.mailfrom=reg.test"] }, "doubtful", "contradicts"],
    [{ results: [DKIM, "#{MX}; dmarc=none"] }, "doubtful", "contradicts"],
    [{ results: ["#{MX}; spf=pass smtp.mailfrom=x.test", DKIM] }, "doubtful", "contradicts"],
    [{ results: [DKIM, "#{MX}; spf=pass smtp.mailfrom=reg.test"] }, "proven", nil],
    [
      { results: ["#{MX}; spf=pass smtp.mailfrom=evil.test"] },
      "doubtful",
      "another sender, evil.test"
    ],
    [
      { results: ["#{MX}; dkim=pass header.d=evil.test (dkim=pass header.d=reg.test)"] },
      "doubtful",
      nil
    ],
    [{ results: ["#{MX}; spf=none reason=\"dkim=pass header.d=reg.test\""] }, "unproven", nil],
    [
      {
        results: [
          "#{MX}; spf=pass smtp.mailfrom=evil.test; dkim=none",
          "#{DKIM}; spf=pass smtp.mailfrom=reg.test"
        ]
      },
      "doubtful",
      "contradicts"
    ],
    [{ results: ["#{MX}; none", DKIM] }, "doubtful", "contradicts"],
    [{ results: [DKIM, "#{MX}; dmarc=fail header.from=reg.test"] }, "doubtful", nil],
    [{ results: ["#{MX}; dkim=pass header.d=test"] }, "doubtful", nil],
    [{ results: [DKIM], sender: "notices@xreg.test" }, "doubtful", "xreg.test is not a domain"],
    [
      { results: ["#{MX}; dkim=pass header.d=reg.test.evil.test"], sender: "a@reg.test.evil.test" },
      "doubtful",
      nil
    ],
    [{ results: [DKIM], sender: "notices@r\u0435g.test" }, "doubtful", "look like reg.test"],
    [{ results: [DKIM], senders: %w[notices@reg.test x@evil.test] }, "doubtful", "names 2 senders"],
    [{ results: [DKIM], senders: [] }, "doubtful", "names no sender"],
    [{ results: [DKIM], reply_to: ["x@evil.test"] }, "doubtful", "would go elsewhere (evil.test)"],
    [{ results: [DKIM], reply_to: ["help@my.reg.test"] }, "proven", nil],
    [ANYBODY.merge(sender: "bo@blogspot.com"), "proven", nil],
    [ANYBODY.merge(sender: "BO@Blogspot.com"), "proven", nil],
    [ANYBODY.merge(sender: "eve@blogspot.com"), "doubtful", "anybody may have an address"],
    [ANYBODY.merge(sender: "\"bo@blogspot.com\"@blogspot.com"), "doubtful", nil],
    [ANYBODY.merge(sender: "bo@x.blogspot.com"), "doubtful", nil],
    [
      ANYBODY.merge(sender: "bo@blogspot.com", reply_to: ["eve@blogspot.com"]),
      "doubtful",
      "would go elsewhere"
    ],
    [{ trusting: true }, "proven", "set to trust"],
    [{ trusting: true, results: ["#{MX}; dmarc=fail"] }, "doubtful", nil],
    [{ domains: nil, results: [DKIM] }, "unproven", "Nobody said which domains"],
    [{ ids: [], results: [DKIM] }, "unproven", "not known which server"],
    [{ ids: [], results: ["#{MX}; dmarc=fail"] }, "doubtful", nil]
  ].freeze

  # What stands above and below the own server's topmost Received, from the top => state. R: of the
  # own server, H: a hop within its house, S: of the sender's server, P: a pass, F: a failed SPF.
  TRACES = {
    "PR" => "proven",
    "PRS" => "proven",
    "HPRS" => "proven",
    "RP" => "unproven",
    "RSP" => "unproven",
    "RPS" => "unproven",
    "RPR" => "unproven",
    "SPR" => "unproven",
    "PS" => "proven",
    "SP" => "unproven",
    "FPR" => "doubtful",
    "FR" => "doubtful",
    "RF" => "unproven",
    "P" => "proven"
  }.freeze
  FIELDS = {
    "R" => ["received", "from mail.reg.test by #{MX} with ESMTP; Mon, 1 Mar 2027 10:00:00 +0000"],
    "H" => ["received", "from #{MX} by store.#{MX} (LMTP); Mon, 1 Mar 2027 10:00:00 +0000"],
    "S" => ["received", "from x by mail.reg.test; Mon, 1 Mar 2027 10:00:00 +0000"],
    "P" => ["authentication-results", DKIM],
    "F" => ["received-spf", "Fail (not allowed) client-ip=192.0.2.1"]
  }.freeze

  # An address => what is known with it.
  WRITERS = {
    "Help@Reg.Test" => "reg.test",
    "help@my.reg.test" => "my.reg.test",
    "Bo@blogspot.com" => "bo@blogspot.com",
    "bo@own.blogspot.com" => "own.blogspot.com",
    "bo" => nil,
    "" => nil
  }.freeze

  def test_who_is_known_with_an_address
    writers = SteadyMove::Core::Post::Writers
    WRITERS.each do |address, entry|
      entry.nil? ? assert_nil(writers.entry(address)) : assert_equal(entry, writers.entry(address))
    end
    listed = SteadyMove::Core::Post::PublicMail::DIGESTS
    assert_operator listed.size, :>, 100
    assert(listed.all? { |line| line.match?(/\A\h{64}\z/) })
    assert(%w[reg.test example.com].none? { |d| writers.anybodys?(d) })
  end

  def test_what_stands_below_the_own_server_s_received_says_nothing
    TRACES.each do |order, state|
      trace = FIELDS.values_at(*order.chars)
      results = trace.filter_map { |name, body| body if name == "authentication-results" }
      found = read(ASKS, "", ids: [MX], results: results, trace: trace)
      assert_equal state, found.trust, "#{order}: #{reasons(found)}"
    end
  end

  def test_senders
    SENDERS.each do |odd, state, says|
      found = read(ASKS, "", ids: odd.fetch(:ids, [MX]), **odd.except(:ids))
      assert_equal [state, "approval-request"],
                   [found.trust, found.kind],
                   "#{odd}: #{reasons(found)}"
      assert_includes reasons(found), says if says
    end
    assert_equal "doubtful",
                 read("Minutes", "", sender: "x@elsewhere.test").trust,
                 "whatever its kind"
  end

  # a link => how it is taken (URL Standard; what readers take differently is odd)
  LINKS = {
    "https://my.reg.test/approve?x=1" => nil,
    "http://reg.test:8443/x" => nil,
    "www.reg.test/x" => nil,
    "https://www.ferry.example/" => nil,
    "mailto:help@reg.test" => nil,
    "https://reg.test.evil.test/approve" => "elsewhere, to reg.test.evil.test",
    "evil.test/approve" => "to evil.test",
    "https://reg.test/approve?to=https%3A%2F%2Fevil.test%2Fx" => "to evil.test",
    "https://reg.test/approve?u=//evil.test/x" => "to evil.test",
    "https://reg.test/go/https%253A%252F%252Fevil.test/confirm" => "to evil.test",
    "https://reg.test@evil.test/x" => "names a user",
    "https://evil.test\\@reg.test/x" => "a backslash",
    "https:\\\\evil.test" => "a backslash",
    "https:/evil.test" => "slashes",
    "https://reg.t\u200Best/x" => "nobody sees",
    "javascript:alert(1)" => "not for the web",
    "ftp://reg.test/x" => "not for the web",
    "http://3232235777/x" => "a bare number",
    "http://0x7f.1/x" => "a bare number",
    "http://[::1]/x" => "a bare number",
    "https://reg.test%2eevil.test/" => "in escapes",
    "https://r\u0435g.test/" => "elsewhere"
  }.freeze

  # With an aligned pass, what neither approves nor declines only loses itself; without one, and
  # for whoever approves by it, it does not.
  FOOTERS = %w[
    www.evil.test
    //evil.test/x
    mailto:x@evil.test
    https://social.test/reg
    https://help.desk.test/tickets
    https://shop.test/app?id=9
  ].freeze

  def test_the_usual_footers
    FOOTERS.each do |url|
      text = "Confirm it at https://reg.test/confirm/1\n\nSee #{url} for more."
      found = read(ASKS, text, results: [DKIM], ids: [MX])
      assert_equal %w[proven https://reg.test/confirm/1], [found.trust, found.link], url
      assert_equal "doubtful", read(ASKS, text, ids: [MX]).trust, url
      trusting = read(ASKS, text, ids: [MX], trusting: true)
      assert_equal "doubtful", trusting.trust, "nothing proves #{url}"
    end
  end

  # A link that ends a mailing declines nothing of ours; it is no way to approve either.
  MAILINGS = [
    "Unsubscribe",
    "Newsletter abbestellen",
    "Se désabonner",
    "Darse de baja",
    "Disiscriviti",
    "Uitschrijven",
    "Cancelar inscrição",
    "Wypisz się",
    "配信停止"
  ].freeze

  def test_links_that_end_a_mailing
    MAILINGS.each do |words|
      text = "Confirm it at https://reg.test/confirm/1\n\n#{words}: https://mailer.test/u/1"
      found = read(ASKS, text, results: [DKIM], ids: [MX])
      assert_equal %w[proven https://reg.test/confirm/1], [found.trust, found.link], words
    end
    refusal = "Confirm it at https://reg.test/confirm/1\n\nDecline: https://mailer.test/u/1"
    assert_equal "doubtful", read(ASKS, refusal, results: [DKIM], ids: [MX]).trust
  end

  def test_where_links_lead
    LINKS.each do |url, says|
      found = read(ASKS, "See #{url} for more.", results: [DKIM], ids: [MX])
      assert_equal says.nil? ? "proven" : "doubtful", found.trust, "#{url}: #{reasons(found)}"
      assert_includes reasons(found), says if says
      assert_nil found.link if says
    end
  end

  # deadlines that don't fit
  def test_a_deadline_that_does_not_fit
    {
      "by 2027-02-01 10:00 UTC" => "before the message",
      "by 2027-09-01 10:00 UTC" => "too far ahead"
    }.each do |text, says|
      found = read(ASKS, "Answer #{text}.", results: [DKIM], ids: [MX])
      assert_equal [true, true], [found.doubtful?, reasons(found).include?(says)], text
    end
  end

  # text => the link to approve with
  CHOICES = {
    "To decline:\nhttps://reg.test/t/1?d=n\n\nTo approve:\nhttps://reg.test/t/1?d=y" =>
      "https://reg.test/t/1?d=y",
    "https://reg.test/reject/1\nhttps://reg.test/approve/1" => "https://reg.test/approve/1",
    "Decline: https://reg.test/a Approve: https://reg.test/b" => "https://reg.test/b",
    "To keep your name with us: https://reg.test/a" => nil,
    "See https://reg.test/news" => nil,
    "Approve or decline the transfer here: https://reg.test/decide" => nil,
    "If you do not approve, use https://reg.test/no" => nil,
    "Click the link to approve the transfer of ferry.example:\n\nhttps://reg.test/t/77\n\nIf you " \
      "did not ask for " \
      "this, cancel it here:\n\nhttps://reg.test/t/78\n" =>
      "https://reg.test/t/77",
    "You may reject the transfer in your account. To approve it, follow this link:\nhttps://reg.test/t/9" =>
      "https://reg.test/t/9",
    "https://reg.test/disapprove/1" => nil,
    "Approve: https://reg.test/1\nApprove: https://reg.test/2" => nil,
    "Ablehnen: https://reg.test/1\nZustimmen: https://reg.test/2" => "https://reg.test/2",
    "拒否する場合：https://reg.test/1\n承認する場合：https://reg.test/2" => "https://reg.test/2",
    "https://reg.test/1 (approve)\nhttps://reg.test/2 (reject)" => "https://reg.test/1",
    "Confirm: www.reg.test/ok" => "www.reg.test/ok"
  }.freeze

  def test_only_what_says_approve_is_offered
    CHOICES.each { |text, url| assert_equal [url], [read(ASKS, text).link], text }
  end

  # HTML => [[words, role]], the link to approve with
  PAGES = {
    "<a href='https://reg.test/1'>Reject</a> <a href='https://reg.test/2'>Approve</a>" =>
      "https://reg.test/2",
    "<p>To decline <a href='https://reg.test/1'>click here</a>.</p><p>To approve <a " \
      "href='https://reg.test/2'>click " \
      "here</a>.</p>" =>
      "https://reg.test/2",
    "<a href='https://reg.test/1'>here</a> to reject or <a href='https://reg.test/2'>here</a> to keep it" =>
      nil,
    "<a href='https://reg.test/1'><img alt='Approve the transfer' src='x'></a>" =>
      "https://reg.test/1",
    "<form action='https://reg.test/1'><input type='submit' value='Approve'></form>" => nil
  }.freeze

  # What follows https://reg.test/ => the hosts that it hands on (common practice, no source).
  REDIRECTS = {
    "x?id=7&lang=en" => [],
    "x?file=letter.pdf&v=1.2" => [],
    "approve/ferry.example" => [],
    "x?mail=bo@ferry.example" => [],
    "x?domain=ferry.example" => [],
    "r?to=https://evil.test/" => %w[evil.test],
    "r?to=https%3A%2F%2Fevil.test" => %w[evil.test],
    "r?to=https%253A%252F%252Fevil.test" => %w[evil.test],
    "r?to=%68ttps%25253A%25252F%25252Fevil.test" => %w[evil.test],
    "r?to=//evil.test/x" => %w[evil.test],
    "r?to=/\\evil.test/x" => %w[evil.test],
    "r?to=%5C%5Cevil.test" => %w[evil.test],
    "r?to=https:evil.test" => %w[evil.test],
    "r?to=https:/evil.test" => %w[evil.test],
    "r?to=https://reg.test@evil.test/" => %w[evil.test],
    "r?to=https://203.0.113.5/" => %w[203.0.113.5],
    "r?to=https://3405803781/" => %w[3405803781],
    "r?next=evil.test" => %w[evil.test],
    "r?redirect_url=evil.test:8443" => %w[evil.test],
    "r?d=evil.test/in" => %w[evil.test],
    "r#url=evil.test" => %w[evil.test],
    "r?q=#{["https://evil.test/in"].pack("m0")}" => %w[evil.test],
    "r?q=#{["//evil.test/in/it"].pack("m0").tr("+/", "-_").delete("=")}" => %w[evil.test],
    "r/https://evil.test/" => %w[evil.test],
    "r?to=www.evil.test" => %w[evil.test www.evil.test],
    "r?to=https://b\u00fccher.test" => %w[xn--bcher-kva.test]
  }.freeze

  def test_where_a_redirect_leads
    REDIRECTS.each do |path, hosts|
      read = Core::Post::Url.read("https://reg.test/#{path}")
      assert_equal hosts, read.leads, path
      next if path.include?("\\")

      found = read(ASKS, "To approve: https://reg.test/#{path}", ids: [MX], results: [DKIM])
      assert_equal hosts.any?, found.doubtful?, "#{path} #{reasons(found)}"
    end
  end

  def test_links_of_a_page
    PAGES.each do |html, url|
      marked = SteadyMove::Wire::Mail::Html.marked(html)
      assert_equal [url], [read(ASKS, Core::Post::Marks.shown(marked), marked: marked).link], html
    end
    odd = {
      "<a href='https://evil.test/'>https://reg.test/</a>" => "elsewhere",
      "<a href='https://isl.test/'>www.reg.test</a>" => "shows www.reg.test",
      "<form action='https://evil.test'></form>" => "evil.test",
      "<base href='//evil.test/'>" => "evil.test",
      "<div style='display:none'><a href='https://evil.test'>x</a></div>" => "evil.test",
      "<!-- <a href='https://evil.test/'> -->" => "evil.test"
    }
    odd.each do |html, says|
      marked = SteadyMove::Wire::Mail::Html.marked("<p>x</p>#{html}")
      found = read(ASKS, "x", marked: marked, domains: %w[reg.test isl.test])
      assert_equal [true, true],
                   [found.doubtful?, reasons(found).include?(says)],
                   "#{html} #{reasons(found)}"
      assert_predicate read(ASKS, "x", further: marked, domains: %w[reg.test isl.test]),
                       :doubtful?,
                       "in the other form"
    end
  end

  # What was not read could say anything.
  def test_a_message_that_says_more_than_is_read
    { nil => "proven", true => "doubtful" }.each do |long, state|
      found = read(ASKS, "https://reg.test/approve", ids: [MX], results: [DKIM], long: long)
      assert_equal state, found.trust, reasons(found)
    end
  end

  # What stands behind the links that are looked at could lead anywhere.
  def test_a_message_with_more_links_than_are_looked_at
    { 100 => "unproven", 400 => "doubtful" }.each do |count, state|
      text = (1..count).map { |i| "To approve: https://reg.test/#{i}\n" }.join
      assert_equal [state, [count, Core::Post::Links::MOST].min],
                   read(ASKS, text).then { |r| [r.trust, r.links.size] },
                   count
    end
  end
end
