# frozen_string_literal: true

require_relative "../test_helper"
require "socket"

# Servers that hang, refuse, talk nonsense or go away: each ends in a plain sentence within its
# time, and nothing is lost.
class OutgoingTest < Minitest::Test
  Mail = SteadyMove::Wire::Mail
  RAW = "From: a@x.test\r\nTo: b@y.test\r\nSubject: s\r\n\r\ntext\r\n"

  # Serves one connection by the lines given: a String is written, a Symbol acts. Yields the port.
  def server(*script)
    listening = TCPServer.new("127.0.0.1", 0)
    thread =
      Thread.new do
        socket = listening.accept
        script.each do |line|
          case line
          when :hang
            socket.read
          when :read
            socket.gets("\r\n")
          when :close
            break
          else
            socket.write("#{line}\r\n")
          end
        end
        socket.close
      rescue SystemCallError, IOError
        nil
      end
    yield listening.addr[1]
  ensure
    thread&.kill
    listening&.close
  end

  def imap(port, timeout: 0.1)
    Mail::Mailbox.new(
      host: "127.0.0.1",
      port: port,
      login: "a",
      password: "b",
      tls: false,
      timeout: timeout
    )
  end

  def smtp(port, **more)
    Mail::Sender.new(
      host: "127.0.0.1",
      port: port,
      tls: "no",
      from: "a@x.test",
      timeout: 0.5,
      **more
    )
  end

  # what the IMAP server does => kind of error, a part of the sentence
  IMAP = {
    [:hang] => ["Unreachable", "can't be read"],
    [:close] => ["Unreachable", "can't be read"],
    ["* OK here", :read, :hang] => ["Unreachable", "does not answer"],
    ["* OK here", :read, :close] => ["Unreachable", "can't be read"],
    ["* BYE away"] => ["Unreachable", "can't be read"],
    ["220 this is another protocol", :close] => ["Unreachable", "can't be read"],
    ["* OK [CAPABILITY IMAP4rev1] here", :read, "RUBY0001 NO not you", :hang] => [
      "Refused",
      "refused: not you"
    ]
  }.freeze

  def test_a_mailbox_in_trouble
    IMAP.each do |script, (kind, part)|
      server(*script) do |port|
        error = assert_raises(SteadyMove::Wire::Error, script.inspect) { imap(port).open(&:uids) }
        assert_equal kind, error.class.name.split("::").last, script.inspect
        assert_includes error.says, part, script.inspect
        refute_includes error.says, "\n"
      end
    end
  end

  # what the SMTP server does => kind of error, a part of the sentence
  SMTP = {
    [:close] => ["Unreachable", "can't be reached"],
    [:hang] => ["Unreachable", "can't be reached"],
    ["554 no service"] => ["Refused", "554 no service"],
    ["421 later", :close] => ["Unreachable", "421 later"],
    ["220 hi", :read, "250 hi", :read, "550 not from you", :read, "221 bye"] => [
      "Refused",
      "550 not from you"
    ],
    ["220 hi", :read, "250 hi", :read, "250 ok", :read, "450 busy", :read, "221 bye"] => [
      "Unreachable",
      "450 busy"
    ],
    [
      "220 hi",
      :read,
      "250 hi",
      :read,
      "250 ok",
      :read,
      "550 no such mailbox",
      :read,
      "221 bye"
    ] => ["Refused", "no such mailbox"]
  }.freeze

  def test_a_mail_server_in_trouble
    SMTP.each do |script, (kind, part)|
      server(*script) do |port|
        error =
          assert_raises(SteadyMove::Wire::Error, script.inspect) do
            smtp(port).deliver(RAW, to: ["b@y.test"])
          end
        assert_equal kind, error.class.name.split("::").last, script.inspect
        assert_includes error.says, part, script.inspect
      end
    end
    closed = TCPServer.open("127.0.0.1", 0) { |s| s.addr[1] }
    assert_raises(SteadyMove::Wire::Unreachable) { smtp(closed).deliver(RAW, to: ["b@y.test"]) }
  end

  # A registrar that hangs up, politely or with a reset, is told in the same words.
  HANG_UPS = {
    close: :close.to_proc,
    reset:
      lambda do |socket|
        socket.setsockopt(Socket::SOL_SOCKET, Socket::SO_LINGER, [1, 0].pack("ii"))
        socket.close
      end
  }.freeze

  def test_an_epp_server_that_hangs_up
    HANG_UPS.each do |how, act|
      listening = TCPServer.new("127.0.0.1", 0)
      thread = Thread.new { act.call(listening.accept) }
      port = listening.addr[1]
      error =
        assert_raises(SteadyMove::Wire::Unreachable, how.to_s) do
          SteadyMove::Wire::Epp::Client.open(
            { host: "127.0.0.1", port: port, client: "a", password: "b", timeout: 5 }
          )
        end
      assert_equal "127.0.0.1 port #{port} closed the connection without a reply",
                   error.says,
                   how.to_s
    ensure
      thread&.kill
      listening&.close
    end
  end

  def test_without_encryption_only_where_it_was_chosen
    server("220 hi", :read, "250 hi", :read, "502 no such thing", :hang) do |port|
      error =
        assert_raises(SteadyMove::Wire::Error) do
          Mail::Sender.new(host: "127.0.0.1", port: port, from: "a@x.test", timeout: 0.5).deliver(
            RAW,
            to: ["b@y.test"]
          )
        end
      assert_match(/STARTTLS/, error.says)
    end
  end

  # Fields that tell what a message answers, whether a person wrote it, and who could not be reached
  # (RFC 5322 §3.6.4, RFC 3834 §5, RFC 3464 §2.3).
  HEAD = "From: a@x.test\r\nSubject: s\r\n"
  REPORT =
    "#{HEAD}Auto-Submitted: auto-replied\r\nIn-Reply-To: <1@x.test>\r\nContent-Type: " \
      "multipart/report; " \
      "report-type=delivery-status; boundary=b\r\n\r\n" \
      "--b\r\nContent-Type: text/plain\r\n\r\nno\r\n--b\r\nContent-Type: " \
      "message/delivery-status\r\n\r\nReporting-MTA: dns; x.test\r\n\r\n" \
      "Final-Recipient: rfc822; Gone@y.test\r\nAction: failed\r\nStatus: " \
      "5.1.1\r\n\r\nFinal-Recipient: rfc822; " \
      "late@y.test\r\nAction: delayed\r\n--b--\r\n".freeze
  ANSWERS = [
    ["#{HEAD}\r\nx", [], false, []],
    ["#{HEAD}In-Reply-To: <1@x.test>\r\n\r\nx", %w[1@x.test], false, []],
    [
      "#{HEAD}References: <1@x.test> <2@x.test>\r\nIn-Reply-To: <2@x.test>\r\n\r\nx",
      %w[2@x.test 1@x.test],
      false,
      []
    ],
    ["#{HEAD}Auto-Submitted: no\r\n\r\nx", [], false, []],
    ["#{HEAD}Auto-Submitted: auto-generated\r\n\r\nx", [], true, []],
    [REPORT, %w[1@x.test], true, %w[gone@y.test]]
  ].freeze

  def test_what_a_message_answers
    ANSWERS.each do |raw, answers, automatic, undelivered|
      read = Mail::Eml.read(raw)
      assert_equal [answers, automatic, undelivered],
                   [read.answers, read.automatic, read.undelivered],
                   raw
    end
  end

  def test_a_letter_of_ours_is_read_as_it_was_written
    raw =
      Mail::Eml.write(
        from: "a@x.test",
        to: "b@y.test",
        subject: "Zoë’s names",
        text: "Line\n\n  ferry.example\n",
        at: utc("2027-03-01T08:00:00Z"),
        message_id: "sm-1@x.test",
        answers: "sm-0@x.test"
      )
    read = Mail::Eml.read(raw)
    assert_equal [
                   "a@x.test",
                   "b@y.test",
                   "Zoë’s names",
                   "Line\n\n  ferry.example",
                   utc("2027-03-01T08:00:00Z"),
                   "sm-1@x.test",
                   %w[sm-0@x.test]
                 ],
                 [
                   read.sender,
                   read.recipient,
                   read.subject,
                   read.text.strip,
                   read.at,
                   read.message_id,
                   read.answers
                 ]
  end
end
