# frozen_string_literal: true

require_relative "../test_helper"
require "socket"

# Where a public record sends on, or asks for a pause (RFC 7480 §5.2, §5.5; RFC 9110 §10.2.3).
class RdapClientTest < Minitest::Test
  OBJECT = '{"objectClassName":"domain","ldhName":"tide.example"}'

  # A server that answers by path: [status line, headers, body].
  def serving(answers)
    server = TCPServer.new("127.0.0.1", 0)
    base = "http://127.0.0.1:#{server.addr[1]}"
    thread =
      Thread.new do
        loop do
          socket = server.accept
          path = socket.gets.to_s.split[1]
          @asked = @asked.to_i + 1
          nil until socket.gets.to_s.strip.empty?
          status, headers, body =
            answers.fetch(path.to_s.delete_prefix("/"), ["404 Not Found", {}, ""])
          lines = headers.map { |k, v| "#{k}: #{v.gsub("BASE", base)}\r\n" }.join
          socket.write(
            "HTTP/1.1 #{status}\r\n#{lines}Content-Length: #{body.bytesize}\r\nConnection: " \
              "close\r\n\r\n"
          )
          socket.write(body)
          socket.close
        end
      end
    @now = Time.utc(2027, 3, 1)
    @asked = 0
    yield(
      SteadyMove::Wire::Rdap::Client.new(bases: { "example" => base }, timeout: 3, now: -> { @now })
    )
  ensure
    thread&.kill
    server&.close
  end

  def ask(client) = client.domain(domain("tide.example"))

  # where the first answer points => what comes of it
  POINTS = {
    "BASE/second" => "tide.example",
    "/second" => "tide.example",
    "http://elsewhere.test/x" => /not followed/,
    "http://me:pw@127.0.0.1/second" => /not followed/,
    "ftp://127.0.0.1/x" => /not followed/,
    "BASE/loop" => /sends on and on/,
    "http://[" => /without saying where/
  }.freeze

  def test_redirects
    POINTS.each do |target, outcome|
      answers = {
        "domain/tide.example" => ["302 Found", { "Location" => target }, ""],
        "second" => ["200 OK", { "Content-Type" => "application/rdap+json" }, OBJECT],
        "loop" => ["302 Found", { "Location" => "BASE/loop" }, ""]
      }
      serving(answers) do |client|
        if outcome.is_a?(Regexp)
          assert_match outcome,
                       assert_raises(SteadyMove::Wire::Error, target) { ask(client) }.message
        else
          assert_equal outcome, ask(client).name, target
        end
      end
    end
  end

  def test_pauses
    { "429 Too Many Requests" => 120, "503 Service Unavailable" => 120 }.each do |status, seconds|
      serving("domain/tide.example" => [status, { "Retry-After" => seconds.to_s }, ""]) do |client|
        assert_equal seconds, assert_raises(SteadyMove::Wire::Busy) { ask(client) }.retry_after
      end
    end
  end

  # status, Retry-After => seconds for which the server is not asked again, whoever wants to.
  PAUSES = {
    ["429 Too Many Requests", "600"] => 600,
    ["429 Too Many Requests", nil] => 60,
    ["503 Service Unavailable", "30"] => 30,
    ["503 Service Unavailable", nil] => 0,
    ["500 Internal Server Error", "600"] => 0
  }.freeze

  # RFC 6585 §4, RFC 9110 §10.2.3
  def test_a_server_that_asked_for_a_pause_is_left_alone
    PAUSES.each do |(status, header), pause|
      headers = { "Retry-After" => header }.compact
      serving("domain/tide.example" => [status, headers, ""]) do |client|
        assert_equal pause, silent_for(client), [status, header].inspect
      end
    end
  end

  # Moves the client's clock on second by second until the server is asked again.
  def silent_for(client)
    ask_all = -> do
      before = @asked
      5.times { assert_raises(SteadyMove::Wire::Error) { ask(client) } }
      @asked - before
    end
    first = ask_all.call
    return 0 if first == 5

    assert_equal 1, first, "once, and then never"
    began = @now
    @now += 1 while ask_all.call.zero?
    (@now - began).to_i
  end
end
