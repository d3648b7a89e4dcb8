# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/dovecot"
require_relative "../support/named"
require "net/http"
require "open3"

# bin/start as it is run on the real network, against servers that nobody here wrote: Debian's
# Dovecot (IMAP, RFC 9051), BIND (AXFR with TSIG, RFC 5936 and 8945), Python's own web server over
# static RDAP documents (RFC 9083), aiosmtpd (SMTP, RFC 5321).
class ServedTest < Minitest::Test
  NAME = "tide.example"
  PASSWORD = "a tide table of nineteen27"

  def setup
    @folder = Dir.mktmpdir
    @running = []
    @drained = []
  end

  def teardown
    @running.each { |pid| Process.kill("TERM", pid) && Process.wait(pid) }
    @drained.each(&:join)
    @named&.stop
    @dovecot&.stop
    FileUtils.rm_rf(@folder)
  end

  # A domain object as RFC 9083 §5.3 has it, about a documentation name (RFC 2606).
  DOMAIN = {
    objectClassName: "domain",
    rdapConformance: ["rdap_level_0"],
    handle: "T-1",
    ldhName: NAME,
    status: ["client transfer prohibited"],
    secureDNS: {
      delegationSigned: false
    },
    nameservers: [{ objectClassName: "nameserver", ldhName: "ns1.tide.example" }],
    events: [
      { eventAction: "registration", eventDate: "2019-04-01T00:00:00Z" },
      { eventAction: "expiration", eventDate: "2099-04-01T00:00:00Z" }
    ],
    entities: [
      {
        objectClassName: "entity",
        handle: "9999",
        roles: ["registrar"],
        publicIds: [{ type: "IANA Registrar ID", identifier: "9999" }],
        vcardArray: [
          "vcard",
          [["version", {}, "text", "4.0"], ["fn", {}, "text", "Tide Names Limited"]]
        ]
      }
    ]
  }.freeze

  def test_the_desk_among_strangers
    web = serve_documents
    smtp = serve_smtp
    @named = Named.new(NAME)
    @dovecot = Dovecot.new
    sign_in(serve_desk)
    {
      "bootstrap" => {
        url: "http://127.0.0.1:#{web}/dns.json"
      },
      "outgoing" => {
        host: "127.0.0.1",
        port: smtp,
        from: Dovecot::LOGIN,
        tls: "no"
      },
      "dns_servers" => {
        "ns1.tide.example" => "127.0.0.1:#{@named.port}"
      }
    }.each { |key, value| ask(:post, "/api/settings", { key: key, value: value }) }
    ask(
      :post,
      "/api/mailboxes",
      {
        host: "127.0.0.1",
        port: @dovecot.port,
        login: Dovecot::LOGIN,
        password: Dovecot::PASSWORD,
        tls: "no"
      }
    )
    in_time("the list of services") { ask(:get, "/api/settings").dig("bootstrap", "suffixes") == 1 }
    from, to =
      [%w[Tide 9999], %w[Harbour 9998]].map do |title, number|
        ask(
          :post,
          "/api/accounts",
          {
            title: title,
            registrar: "#{title} Names",
            kind: "by_hand",
            habits: {
              registrar_id: number,
              site: "https://#{title.downcase}.example/",
              login: "ada"
            },
            sender_domains: ["#{title.downcase}.example"]
          }
        )[
          "id"
        ]
      end
    judged(from)
    mailed
    carried(to)
  end

  private

  def free_port = TCPServer.open("127.0.0.1", 0) { |s| s.addr[1] }

  # Waits for a child's first lines until one fits. It writes to a pipe that stays open and read
  # as long as it runs: who writes into a closed one dies of it.
  def start(*command, until_line:, env: {})
    reader, writer = IO.pipe
    @running << Process.spawn(env, *command, out: writer, err: writer)
    writer.close
    seen = +""
    while (line = reader.gets)
      seen << line
      next unless line.match?(until_line)

      @drained << Thread.new { IO.copy_stream(reader, File::NULL) }
      return seen
    end
    flunk "#{command.first} ended: #{seen}"
  end

  def serve_documents
    root = File.join(@folder, "web")
    FileUtils.mkdir_p(File.join(root, "domain"))
    File.write(File.join(root, "domain", NAME), JSON.generate(DOMAIN))
    port = free_port
    File.write(
      File.join(root, "dns.json"),
      JSON.generate(version: "1.0", services: [[["example"], ["http://127.0.0.1:#{port}/"]]])
    )
    start(
      "/usr/bin/python3",
      "-u",
      "-m",
      "http.server",
      port.to_s,
      "--bind",
      "127.0.0.1",
      "--directory",
      root,
      until_line: /Serving HTTP/
    )
    port
  end

  def serve_smtp
    port = free_port
    code =
      "import sys, time; from aiosmtpd.controller import Controller; from aiosmtpd.handlers " \
        "import Mailbox; " \
        "c = Controller(Mailbox(sys.argv[2]), hostname='127.0.0.1', port=int(sys.argv[1])); " \
        "c.start(); " \
        "print('ready', flush=True); time.sleep(3600)"
    start(
      "/usr/bin/python3",
      "-c",
      code,
      port.to_s,
      File.join(@folder, "sent"),
      until_line: /ready/
    )
    port
  end

  # The desk's own process; returns its one-time word.
  def serve_desk
    @port = free_port
    said =
      start(
        File.join(SteadyMove::ROOT, "bin", "start"),
        "--data",
        File.join(@folder, "desk"),
        "--port",
        @port.to_s,
        until_line: /one-time word/
      )
    said[/one-time word: (\S+)/, 1]
  end

  # An answer that asks the outside may come later, at the place that the desk names.
  def ask(verb, path, body = nil, expect: 200..299)
    answer = sent(verb, path, body)
    in_time("#{verb} #{path}") do
      place = answer.code == "202" && answer["Location"]
      answer = sent(:get, place) if place
      !place
    end
    assert_includes expect, answer.code.to_i, "#{verb} #{path}: #{answer.body}"
    JSON.parse(answer.body)
  end

  def sent(verb, path, body = nil)
    request = { get: Net::HTTP::Get, post: Net::HTTP::Post }.fetch(verb).new(path)
    request["Cookie"] = @cookies.to_h.map { |k, v| "#{k}=#{v}" }.join("; ")
    request["X-CSRF-Token"] = @token.to_s
    request["Content-Type"] = "application/json"
    request.body = body.is_a?(String) ? body : JSON.generate(body || {}) if verb == :post
    answer = Net::HTTP.start("127.0.0.1", @port, read_timeout: 60) { |http| http.request(request) }
    answer
      .get_fields("set-cookie")
      .to_a
      .each { |c| (@cookies ||= {}).store(*c[/\A[^;]+/].split("=", 2)) }
    answer
  end

  def token = @token = ask(:get, "/api/session")["csrf"]

  def sign_in(word)
    token
    ask(:post, "/api/first-run", { word: word, email: "ada@tide.example", password: PASSWORD })
    token
    ask(:post, "/api/sign-in", { email: "ada@tide.example", password: PASSWORD })
    token
  end

  # The static document is judged; it says that the name is locked. Whose its name servers are
  # nobody has said yet.
  def judged(account)
    taken = ask(:post, "/api/names", { account: account, text: "https://www.#{NAME}/" })
    assert_equal([NAME], taken["names"].map { |row| row["name"] })
    20.times { taken = ask(:get, "/api/imports/#{taken["id"]}") unless taken["finished"] }
    sheet = ask(:get, "/api/names/#{NAME}")
    assert_equal %w[needs fix],
                 [sheet.dig("gate", "kind"), sheet["verdict"]],
                 sheet["findings"].inspect
    assert_includes sheet["findings"].map { |f| f["rule"] }, "locked"
  end

  # Email from Dovecot, matched to the name; a word sent out by aiosmtpd.
  def mailed
    @dovecot.deliver(
      "From: desk@tide.example\r\nTo: #{Dovecot::LOGIN}\r\nSubject: About #{NAME}\r\n" \
        "Message-ID: <1@tide.example>\r\n\r\nThe transfer lock of #{NAME} was removed.\r\n",
      1
    )
    page = ask(:post, "/api/post/fetch")
    assert_equal([[NAME]], page["messages"].map { |m| m["names"] })
    ask(:post, "/api/names/#{NAME}/note", { key: "registrant_email", value: "owner@far.example" })
    ask(:post, "/api/names/#{NAME}/contacts/prove", { role: "registrant" })
    sent = Dir[File.join(@folder, "sent", "new", "*")]
    assert_equal 1, sent.size
    assert_match(/^To: owner@far\.example/, File.read(sent.first))
  end

  # The zone over AXFR, signed with a key.
  def carried(to)
    key = Named::KEY
    ask(
      :post,
      "/api/hosts",
      {
        title: "Tide DNS",
        name_servers: ["ns1.tide.example"],
        key_name: key[:name],
        secret: key[:secret]
      }
    )
    new =
      ask(
        :post,
        "/api/hosts",
        {
          title: "Other DNS",
          name_servers: ["ns1.other.example"],
          key_name: "k",
          secret: key[:secret]
        }
      )[
        "id"
      ]
    plan = ask(:post, "/api/proposals", { name: NAME, to: to, host: new })
    assert_equal "Tide DNS", plan.dig("zone", "host")
    assert_operator plan.dig("zone", "sets"), :>, 2
    assert_includes plan["steps"].map { |s| s["way"] }, "page"
  end

  def in_time(what, seconds = 30)
    ends = Process.clock_gettime(Process::CLOCK_MONOTONIC) + seconds
    until (done = yield) || Process.clock_gettime(Process::CLOCK_MONOTONIC) > ends
      IO.select(nil, nil, nil, 0.05)
    end
    assert done, "#{what} did not come in time"
  end
end
