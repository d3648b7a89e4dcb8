# frozen_string_literal: true

require_relative "../test_helper"
require "socket"

# A mailbox's server that says too much, too little, or has very many messages (RFC 9051).
class MailboxWireTest < Minitest::Test
  Wire = SteadyMove::Wire
  COUNT = 120_000

  # An IMAP server with COUNT messages numbered from 1001; answers: how it answers a command, else
  # as it should. Yields a mailbox there and the searches that were asked of it.
  def serving(timeout: 20, **answers)
    asked = []
    listening = TCPServer.new("127.0.0.1", 0)
    thread = Thread.new { loop { converse(listening.accept, answers, asked) } }
    yield(
      Wire::Mail::Mailbox.new(
        host: "127.0.0.1",
        port: listening.addr[1],
        login: "a",
        password: "b",
        tls: false,
        timeout: timeout
      ),
      asked
    )
  ensure
    thread&.kill
    listening&.close
  end

  def converse(socket, answers, asked)
    socket.write("* OK ready\r\n")
    while (line = socket.gets)
      tag, command, rest = line.strip.split(" ", 3)
      asked << rest if command == "UID"
      socket.write(answers.fetch(command.downcase.to_sym) { usual(command, rest) })
      socket.write("#{tag} OK done\r\n")
    end
  rescue SystemCallError, IOError
    nil
  end

  def usual(command, rest)
    case command
    when "CAPABILITY"
      "* CAPABILITY IMAP4rev1\r\n"
    when "EXAMINE"
      "* #{COUNT} EXISTS\r\n* OK [UIDVALIDITY 7] x\r\n"
    when "UID"
      "* SEARCH #{found(rest).join(" ")}\r\n"
    else
      ""
    end
  end

  # What a server finds by places and numbers.
  def found(rest)
    first, last = rest.match(/SEARCH (\d+):(\d+)/)&.captures&.map(&:to_i) || [1, COUNT]
    (first..last).map { |place| place + 1000 }.select { |uid| uid >= rest[/UID (\d+):\*/, 1].to_i }
  end

  # Very many are asked for in stretches, the newest first, no further than is wanted.
  def test_a_mailbox_of_very_many
    serving do |box, asked|
      assert_equal (1001..121_000).to_a, box.open(&:uids)
      assert_equal 3, asked.size
      asked.clear
      assert_equal([120_999, 121_000], box.open { |open| open.uids(after: 120_998) })
      assert_equal ["SEARCH 70001:120000 UID 120999:*"], asked
      asked.clear
      assert_equal(3, box.open { |open| open.uids(from: "a.example") && asked.size })
    end
  end

  ENOUGH = 10_000_000
  # What it says => what is said of it.
  ODD = {
    { uid: "* SEARCH #{"1 " * (ENOUGH / 2)}\r\n" } => /Response size/,
    { uid: "* OK #{"x" * ENOUGH}\r\n" } => /Response size/,
    { examine: "* OK #{"x" * ENOUGH}\r\n" } => /Response size/,
    { capability: "" } => /no capabilities/
  }.freeze

  def test_what_says_too_much_or_too_little
    ODD.each do |answers, says|
      serving(**answers) do |box, _|
        before = resident
        error = assert_raises(Wire::Unreachable) { box.open(&:uids) }
        assert_match says, error.message
        assert_operator resident - before, :<, 100, "MB more for it"
      end
    end
  end

  def resident = File.read("/proc/self/status")[/VmRSS:\s+(\d+)/, 1].to_i / 1024
end
