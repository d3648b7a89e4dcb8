# frozen_string_literal: true

require "socket"
require_relative "../test_helper"

# Where a webhook may lead, and how much of its answer is read.
class HookTest < Minitest::Test
  Hook = SteadyMove::Wire::Http::Hook

  # Addresses of the outside, and of networks of one's own (RFC 6890 §2.2, RFC 4291 §2.5.5.2).
  OUTSIDE = %w[192.0.2.1 8.8.4.4 172.32.0.1 100.128.0.1 2001:db8::1 ::ffff:192.0.2.1].freeze
  INSIDE = %w[
    127.0.0.1
    10.1.2.3
    172.16.0.1
    172.31.255.255
    192.168.1.1
    169.254.169.254
    100.64.0.1
    0.0.0.0
    224.0.0.1
    255.255.255.255
    ::1
    ::
    fe80::1
    fe80::1%eth0
    fd00::1
    ::ffff:10.0.0.1
    ::ffff:127.0.0.1
  ].freeze

  def test_networks
    within, without = [*OUTSIDE, *INSIDE].partition { |ip| Hook.inside?(ip) }
    assert_equal [INSIDE, OUTSIDE], [within, without]
  end

  # What a host resolves to is looked at, and that address is connected to.
  def test_an_address_is_looked_at_after_it_was_resolved
    [%w[192.168.7.7], %w[192.0.2.1 10.0.0.9], %w[::1]].each do |found|
      resolved = found.map { |ip| Addrinfo.tcp(ip, 443) }
      Addrinfo.stub(:getaddrinfo, resolved) do
        TCPSocket.stub(:new, ->(*) { flunk "it was connected to" }) do
          says = assert_raises(SteadyMove::Wire::Unreachable) { post("https://hooks.example/in") }
          assert_match(/network of one's own/, says.message)
        end
      end
    end
    asked = nil
    Addrinfo.stub(:getaddrinfo, [Addrinfo.tcp("192.168.7.7", 443)]) do
      TCPSocket.stub(:new, ->(ip, _) { (asked = ip) && raise(Errno::ECONNREFUSED) }) do
        assert_raises(SteadyMove::Wire::Unreachable) do
          post("https://hooks.example/", inside: true)
        end
      end
    end
    assert_equal "192.168.7.7", asked
  end

  # What is written => the status, or what is said.
  ANSWERS = {
    "HTTP/1.1 204 No Content\r\n\r\n" => 204,
    "HTTP/1.0 500\r\n\r\n" => 500,
    "HTTP/1.1 200 x\n" => 200,
    "HTTP/1.1 200 #{"x" * 10_000_000}" => 200,
    "HTTP/1.1 200 x\r\n#{"a: #{"b" * 1000}\r\n" * 10_000}" => 200,
    "SSH-2.0-x\r\n" => "no HTTP",
    "x" * 10_000 => "no HTTP",
    "" => "can't be reached"
  }.freeze

  def test_no_more_than_the_first_line_is_read
    ANSWERS.each do |text, expected|
      answering(text) do |url, kept|
        if expected.is_a?(Integer)
          assert_equal expected, post(url)
        else
          says = assert_raises(SteadyMove::Wire::Unreachable) { post(url) }
          assert_includes says.message, expected
        end
        assert_match %r{\APOST /in HTTP/1\.1\r\n.*content-type: application/json\r\n.*\{\}\z}mi,
                     kept.first
      end
    end
  end

  def test_one_that_says_nothing_is_let_go
    silent = TCPServer.new("127.0.0.1", 0)
    says =
      assert_raises(SteadyMove::Wire::Unreachable) do
        post("http://127.0.0.1:#{silent.addr[1]}/in", timeout: 0.2)
      end
    assert_match(/no answer within/, says.message)
  ensure
    silent.close
  end

  def post(url, **more) = Hook.post(url, "{}", { "content-type" => "application/json" }, **more)

  def answering(text)
    server = TCPServer.new("127.0.0.1", 0)
    kept = []
    thread =
      Thread.new do
        client = server.accept
        got = +""
        got << client.readpartial(4096) until got.end_with?("{}")
        kept << got
        client.write(text)
      rescue SystemCallError, IOError
        nil
      ensure
        client&.close
      end
    yield "http://127.0.0.1:#{server.addr[1]}/in", kept
  ensure
    thread.join
    server.close
  end
end
