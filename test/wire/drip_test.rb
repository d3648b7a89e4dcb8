# frozen_string_literal: true

require_relative "../test_helper"
require "socket"

# Servers that drip: a byte now and then, so that no single read ever waits long. One deadline holds
# over the whole exchange.
class DripTest < Minitest::Test
  Wire = SteadyMove::Wire
  PACE = 0.02
  TIMEOUT = 0.4

  # Answers each connection with the text, a byte at a time, for ever. Yields the port.
  def dripping(text)
    listening = TCPServer.new("127.0.0.1", 0)
    thread = Thread.new { loop { drip(listening.accept, text) } }
    yield listening.addr[1]
  ensure
    thread&.kill
    listening&.close
  end

  def drip(socket, text)
    Thread.new do
      text.each_char.cycle do |c|
        socket.write(c)
        socket.wait_writable
        IO.select(nil, nil, nil, PACE)
      end
    rescue SystemCallError, IOError
      nil
    end
  end

  def ends(what, &asked)
    error = assert_raises(Wire::Error, what) { Timeout.timeout(20 * TIMEOUT) { asked.call } }
    assert_instance_of Wire::Unreachable, error, what
  end

  def test_imap
    dripping("* OK and on ") do |port|
      box =
        Wire::Mail::Mailbox.new(
          host: "127.0.0.1",
          port: port,
          login: "a",
          password: "b",
          tls: false,
          timeout: TIMEOUT
        )
      ends("imap") { box.open(&:uids) }
    end
  end

  def test_smtp
    dripping("220-and on\r\n") do |port|
      sender =
        Wire::Mail::Sender.new(
          host: "127.0.0.1",
          port: port,
          tls: "no",
          from: "a@x.test",
          timeout: TIMEOUT
        )
      ends("smtp") { sender.deliver("From: a@x.test\r\n\r\nx", to: "b@y.test") }
    end
  end

  # The greeting is never reached: TLS itself is dripped.
  def test_epp
    dripping("\x16\x03\x03\x3f\xff") do |port|
      ends("epp") do
        Wire::Epp::Client.open(
          host: "127.0.0.1",
          port: port,
          client: "a",
          password: "b",
          timeout: TIMEOUT
        )
      end
    end
  end

  def test_rdap
    dripping("HTTP/1.1 200 OK\r\nContent-Length: 100000\r\n\r\n{") do |port|
      client =
        Wire::Rdap::Client.new(
          bases: {
            "example" => "http://127.0.0.1:#{port}/"
          },
          timeout: TIMEOUT
        )
      ends("rdap") { client.domain(SteadyMove::Core::Names::DomainName.parse("tide.example")) }
    end
  end

  def test_a_zone_transfer
    dripping("\xff\xf0".b) do |port|
      client =
        Wire::Dns::Client.new(
          servers: {
            "ns1.a.example" => "127.0.0.1:#{port}"
          },
          timeout: TIMEOUT / 5
        )
      ends("dns") { client.transfer("ns1.a.example", "tide.example.") }
    end
  end
end
