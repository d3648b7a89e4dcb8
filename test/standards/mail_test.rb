# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"
require_relative "../support/dovecot"
require "open3"

# Mail held against others: Debian's Dovecot as IMAP server, Python's aiosmtpd as mail server, its
# smtplib as client of the practice world's, its email and urllib.parse packages as readers of what
# we write.
class MailStandardsTest < Minitest::Test
  Mail = SteadyMove::Wire::Mail

  MESSAGES = [
    "From: a@b.test\r\nSubject: plain\r\nMessage-ID: <1@b.test>\r\nDate: Mon, 01 Mar 2027 " \
      "10:00:00 " \
      "+0100\r\n\r\nPlain text.\r\n",
    "From: a@b.test\r\nSubject: =?UTF-8?B?RsOkaHJl?=\r\nMessage-ID: <2@b.test>\r\nContent-Type: " \
      "text/plain; " \
      "charset=iso-8859-1\r\n\r\nF\xE4hre\r\n".b,
    "From: a@b.test\r\nSubject: html\r\nMessage-ID: <3@b.test>\r\nContent-Type: " \
      "text/html\r\n\r\n<p>One</p><p>Two</p>\r\n",
    "From: a@b.test\r\nSubject: dot\r\nMessage-ID: <4@b.test>\r\n\r\n.\r\n..\r\n.two\r\n",
    "no head at all\r\n",
    "From: a@b.test\r\nSubject: large\r\nMessage-ID: <6@b.test>\r\n\r\n#{"line of text\r\n" * 200_000}"
  ].freeze

  def dovecot
    server = Dovecot.new
    MESSAGES.each_with_index { |raw, i| server.deliver(raw, i + 1) }
    yield server
  ensure
    server&.stop
  end

  def mailbox(server, password: Dovecot::PASSWORD, **more)
    Mail::Mailbox.new(
      host: "127.0.0.1",
      port: server.port,
      login: Dovecot::LOGIN,
      password: password,
      tls: false,
      timeout: 10,
      **more
    )
  end

  def all_of(box, after: 0)
    found = []
    box.open { |open| open.each(open.uids(after: after)) { |message| found << message } }
    found
  end

  # Read as they are; nothing marked, moved or deleted; the second time only what is new.
  def test_dovecots_mailbox_is_read_and_left_as_it_was
    dovecot do |server|
      before = server.files
      read = all_of(mailbox(server))
      assert_equal ["plain", "Fähre", "html", "dot", "A message that can't be read", "large"],
                   read.map(&:subject)
      assert_equal(
        ["Plain text.", "Fähre", "One\nTwo", ".\n..\n.two"],
        read.first(4).map { |m| m.text.strip }
      )
      assert_equal [false, true], read.values_at(0, 5).map(&:cut)
      assert_equal before, server.files, "no flag is set"
      numbers = read.map { |m| m.place.uid }
      assert_equal (1..6).to_a, numbers
      assert_empty all_of(mailbox(server), after: 6)
      server.deliver(MESSAGES.first.sub("<1@", "<7@"), 7)
      assert_equal(%w[7@b.test], all_of(mailbox(server), after: 6).map(&:message_id))
    end
  end

  def test_dovecots_no_is_told_as_it_is
    dovecot do |server|
      assert_match(
        /refused/,
        assert_raises(SteadyMove::Wire::Refused) { all_of(mailbox(server, password: "wrong")) }.says
      )
      assert_match(
        /Mailbox doesn't exist|refused/,
        assert_raises(SteadyMove::Wire::Refused) { all_of(mailbox(server, folder: "Nowhere")) }.says
      )
    end
  end

  # The practice world's own IMAP server gives a reader the same as Dovecot does.
  def test_the_practice_mailbox_and_dovecot_agree
    world = BenchWorld.new
    whole = MESSAGES.values_at(0, 1, 2, 3)
    whole.each do |raw|
      world.world.instance_variable_get(:@db)[:mail].insert(at: 0, raw: Sequel.blob(raw.b))
    end
    ours = all_of(world.app.mailboxes[1])
    dovecot do |server|
      theirs = all_of(mailbox(server)).first(4)
      sought =
        [mailbox(server), world.app.mailboxes[1]].map do |box|
          box.open do |open|
            [
              open.uids(from: "b.test").first(4),
              open.uids(from: "nobody.test"),
              open.validity.class
            ]
          end
        end
      assert_equal [[[1, 2, 3, 4], [], Integer]] * 2, sought, "who wrote them"
      assert_equal(
        theirs.map { |m| m.to_h.except(:place, :text) },
        ours.map { |m| m.to_h.except(:place, :text) }
      )
      assert_equal(theirs.map { |m| m.text.strip }, ours.map { |m| m.text.strip })
    end
  ensure
    world&.close
  end

  # A message is told of as soon as it comes (IDLE, RFC 2177); a server that has none says so at
  # once.
  def test_dovecot_tells_when_something_comes
    dovecot do |server|
      box = mailbox(server, timeout: 20)
      refute box.wait(0.3), "nothing came"
      come = Thread.new { box.wait(20) }
      number = 100
      until come.join(0.2)
        number += 1
        server.deliver(MESSAGES.first, number)
      end
      assert come.value
      told = 0
      assert SteadyMove::Desk::Mail::Listening
               .new(nil) { told += 1 }
               .once(Struct.new(:came) { def wait(_) = came }.new(true))
      assert_equal 1, told
    end
    world = BenchWorld.new
    assert_nil world.app.mailboxes[1].wait(1), "the practice world's own server has no IDLE"
  ensure
    world&.close
  end

  PYTHON_SERVER = <<~PYTHON
    import asyncio, sys
    from aiosmtpd.smtp import SMTP
    class Keep:
        async def handle_DATA(self, server, session, envelope):
            head = "FROM %s TO %s\\n" % (envelope.mail_from, ",".join(envelope.rcpt_tos))
            sys.stdout.buffer.write(head.encode() + envelope.original_content + b"\\n.END\\n")
            sys.stdout.flush()
            return "250 kept"
        async def handle_RCPT(self, server, session, envelope, address, options):
            if address.startswith("gone"): return "550 no such mailbox"
            envelope.rcpt_tos.append(address)
            return "250 ok"
    async def main():
        server = await asyncio.get_running_loop().create_server(lambda: SMTP(Keep()), "127.0.0.1", int(sys.argv[1]))
        print("ready", flush=True)
        await server.serve_forever()
    asyncio.run(main())
  PYTHON

  def letter(to)
    Mail::Eml.write(
      from: "names@saltern-office.example",
      to: to,
      subject: "Zoë’s names",
      text: "First\n.\n.dot\nferry.example\n",
      at: utc("2027-03-01T08:00:00Z"),
      message_id: "sm-1@x.test"
    )
  end

  def test_what_we_send_arrives_at_another_server_whole
    port = TCPServer.open("127.0.0.1", 0) { |s| s.addr[1] }
    Open3.popen2("/usr/bin/python3", "-c", PYTHON_SERVER, port.to_s) do |_, out, thread|
      assert_equal "ready\n", out.gets
      sender =
        Mail::Sender.new(
          host: "127.0.0.1",
          port: port,
          tls: "no",
          from: "names@saltern-office.example",
          timeout: 10
        )
      assert_match(
        /no such mailbox/,
        assert_raises(SteadyMove::Wire::Refused) do
          sender.deliver(letter("gone@b.test"), to: ["gone@b.test"])
        end.says
      )
      assert sender.deliver(letter("help@b.test"), to: ["help@b.test"])
      got = out.gets("\n.END\n").force_encoding("UTF-8")
      assert_includes got, "FROM names@saltern-office.example TO help@b.test"
      read = Mail::Eml.read(got.split("\n", 2).last.delete_suffix("\n.END\n"))
      assert_equal ["Zoë’s names", "First\n.\n.dot\nferry.example", "sm-1@x.test"],
                   [read.subject, read.text.strip, read.message_id]
    ensure
      Process.kill("TERM", thread.pid) if thread.alive?
    end
  end

  PYTHON_CLIENT = <<~PYTHON
    import smtplib, sys
    with smtplib.SMTP("127.0.0.1", int(sys.argv[1]), timeout=10) as s:
        s.ehlo()
        s.sendmail("names@saltern-office.example", ["help@cobblekeel.example"], sys.stdin.read())
    print("sent")
  PYTHON

  def test_another_client_is_understood_by_the_practice_mail_server
    world = BenchWorld.new(names_at: %w[cobble])
    port =
      JSON.parse(File.read(File.join(world.folder, "world", "endpoints.json"))).dig("ports", "smtp")
    text =
      "Subject: Please [SM-0001-abcd]\n\nPlease take the transfer lock off:\n  " \
        "isles-weather.example\n"
    out, = Open3.capture2("/usr/bin/python3", "-c", PYTHON_CLIENT, port.to_s, stdin_data: text)
    assert_equal "sent\n", out
    world.driver.move_on(to: world.app.now + 16_000)
    refute_includes world.world.registry.find("isles-weather.example")[:statuses],
                    "clientTransferProhibited"
    assert_match(/lock of isles-weather.example is off/, world.app.messages.all.map(&:text).join)
  ensure
    world&.close
  end

  PYTHON_READER = <<~PYTHON
    import email, email.policy, json, sys
    from urllib.parse import urlsplit, unquote
    given = json.load(sys.stdin)
    m = email.message_from_string(given["raw"], policy=email.policy.default)
    link = urlsplit(given["mailto"])
    fields = dict((k, unquote(v)) for k, v in (p.split("=", 1) for p in link.query.split("&")))
    print(json.dumps([m["to"], m["subject"], m.get_content(), unquote(link.path), fields["subject"], fields["body"]]))
  PYTHON

  def test_letters_and_links_are_read_alike_by_python
    draft =
      SteadyMove::Desk::Letters::Correspondence.write(
        SteadyMove::Desk::Letters::Addressee.new(
          to: "help@cobblekeel.example",
          title: "Cobble & Keel",
          login: "old+1",
          customer: "Nº 7/42",
          words: "Please answer within 3 days, 100 % in writing."
        ),
        writer: "Zoë",
        reference: "SM-0001-abcd",
        parts: [["unlock", %w[a.example b.example], []], ["code", %w[a.example], []]]
      )
    raw =
      Mail::Eml.write(
        from: "names@saltern-office.example",
        to: draft.to,
        subject: draft.subject,
        text: draft.text,
        at: utc("2027-03-01T08:00:00Z"),
        message_id: "sm-1@x.test"
      )
    out, =
      Open3.capture2(
        "/usr/bin/python3",
        "-c",
        PYTHON_READER,
        stdin_data: { raw: raw, mailto: draft.mailto }.to_json
      )
    to, subject, text, link_to, link_subject, link_body = JSON.parse(out)
    assert_equal [draft.to, draft.subject, draft.text], [to, subject, text.gsub("\r\n", "\n")]
    assert_equal [draft.to, draft.subject, draft.text],
                 [link_to, link_subject, link_body.gsub("\r\n", "\n")]
  end
end
