# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/command_line"

# Scripts over files and over a desk that can't be asked: what goes in, what comes out, and how each
# ends.
class ScriptFilesTest < Minitest::Test
  include CommandLine

  def setup = @folder = Dir.mktmpdir
  def teardown = FileUtils.rm_rf(@folder)

  def file(text, name = "given")
    File.join(@folder, name).tap { |path| File.binwrite(path, text) }
  end

  def told(lines) = lines.map { |line| JSON.parse(line) }

  def test_codes
    path = file("kelp.example Ab1!x\nnot a name here\nquay.example,Zz-9\n")
    status, lines, = run_words("codes", path)
    assert_equal 2, status, "a line that can't be understood"
    found = told(lines)
    assert_equal([1, 2, 3], found.map { |l| l["line"] })
    assert_equal %w[kelp.example Ab1!x], found.first.values_at("name", "code")
    assert_operator found[1]["error"].length, :>, 15
    status, lines, = run_words("codes", file("kelp.example Ab1!x\n"))
    assert_equal [0, 1], [status, lines.size]
  end

  CODE = "Authorization code for kelp.example: Ab1!x-99"
  MAIL = <<~MAIL.gsub("\n", "\r\n").freeze
    From: Kelp Names <desk@names.example>
    To: ada@site.example
    Subject: Authorization code for kelp.example
    Message-ID: <1@names.example>
    Date: Mon, 01 Mar 2027 08:00:00 +0000
    Authentication-Results: mx.site.example; dmarc=pass header.from=names.example

    The authorization code of kelp.example is: Ab1!x-99
    It is valid until 2027-03-09.
  MAIL

  # words more => [trust, code]: a code of somebody who is not known is not handed on.
  READ = {
    %w[--sender-domains names.example --authserv-id mx.site.example] => %w[proven Ab1!x-99],
    %w[--sender-domains other.example --authserv-id mx.site.example] => ["doubtful", nil],
    %w[--sender-domains names.example] => %w[unproven Ab1!x-99]
  }.freeze

  def test_mail
    READ.each do |more, (trust, code)|
      status, lines, error = run_words("read-mail", file(MAIL), "--names", "kelp.example", *more)
      assert_equal [0, ""], [status, error]
      found = told(lines).first
      assert_equal [["kelp.example"], trust, code], found.values_at("names", "sender", "code"), more
      withheld = SteadyMove::Words.text(SteadyMove::Words.say(:"post.code_not_given"))
      assert_equal code.nil?, found["because"].include?(withheld), more
    end
  end

  def test_mail_that_is_none_or_too_much
    long = "#{MAIL}#{"so it goes on\r\n" * 80_000}"
    files = [file("", "nothing"), file(long, "long"), File.join(@folder, "missing")]
    status, lines, error = run_words("read-mail", *files, "--names", "kelp.example")
    assert_equal 2, status
    assert_equal 1, lines.grep(/Only the first \d+ of #{long.bytesize} octets were read/).size
    assert_match(/missing: it can't be read/, error)
    assert_equal 2, run_words("read-mail", files[1], "--names", "kelp..example").first
  end

  # What a desk answers, or where none is: [address, the token, words, status, what is said].
  ASKED = [
    ["ftp://127.0.0.1", %w[desk list], 2, /an address such as/],
    ["http://127.0.0.1:1", %w[desk list], 2, /can't be reached/],
    ["http://127.0.0.1:1", %w[desk follow soon], 2, /a move’s number/],
    ["http://127.0.0.1:1", %w[desk judge], 2, /expects one name or number/],
    ["http://127.0.0.1:1", %w[desk list more], 2, /expects nothing more/],
    ["http://127.0.0.1:1", %w[desk plan kelp.example], 2, /--to ACCOUNT is expected/],
    [nil, %w[desk list], 2, /STEADY_MOVE_DESK is not set/]
  ].freeze

  def test_a_desk_that_can_not_be_asked
    ASKED.each do |address, words, status, says|
      found = with_desk(address) { run_words(*words) }
      assert_equal status, found.first, words
      assert_match says, found.last, words
    end
  end

  # Something else answers there.
  def test_no_desk
    server = TCPServer.new("127.0.0.1", 0)
    answering =
      Thread.new do
        client = server.accept
        client.readpartial(10_000)
        client.write("HTTP/1.1 200 OK\r\nContent-Length: 5\r\nConnection: close\r\n\r\nhello")
        client.close
      end
    found = with_desk("http://127.0.0.1:#{server.addr[1]}") { run_words("desk", "list") }
    assert_equal 2, found.first
    assert_match(/is no desk/, found.last)
  ensure
    answering.join
    server.close
  end

  # words => part of what is said; each ends with 2.
  JUDGED = {
    %w[--horizon soon] => "is not a number of days",
    %w[--horizon 0] => "is not a number of days",
    %w[--at soon] => "is not an instant",
    %w[--to b --accounts LIST] => "a map of accounts is expected",
    %w[--to b --accounts MISSING] => "can't be read",
    %w[--to b --accounts BROKEN] => "can't be read",
    %w[--to c --accounts RIGHT] => "there is no account “c”",
    %w[--to b --data NOWHERE] => "--to needs the accounts"
  }.freeze

  def test_judging_with_wrong_words
    places = {
      "LIST" => file("- one\n", "LIST"),
      "BROKEN" => file("{: [", "BROKEN"),
      "RIGHT" => file("b:\n  title: B\n", "RIGHT"),
      "MISSING" => File.join(@folder, "MISSING"),
      "NOWHERE" => File.join(@folder, "NOWHERE")
    }
    object = file(JSON.generate(objectClassName: "domain", ldhName: "kelp.example"), "object")
    JUDGED.each do |words, says|
      status, _, error = run_words("judge", object, *words.map { |w| places.fetch(w, w) })
      assert_equal [2, true], [status, error.include?(says)], "#{words}: #{error}"
    end
    assert_equal 2, run_words("judge", file("\n", "nothing")).first
  end

  private

  def with_desk(address)
    before = ENV.to_h.slice("STEADY_MOVE_DESK", "STEADY_MOVE_TOKEN")
    ENV["STEADY_MOVE_DESK"] = address
    ENV["STEADY_MOVE_TOKEN"] = "token"
    yield
  ensure
    %w[STEADY_MOVE_DESK STEADY_MOVE_TOKEN].each { |name| ENV[name] = before[name] }
  end
end
