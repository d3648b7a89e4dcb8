# frozen_string_literal: true

require "open3"
require_relative "../test/support/nsd"

# Zone files beside general-purpose tools on the same files in the same run, live checks, and a long
# carry sheet.
module Zones
  RECORDS = 100_000
  DNSPYTHON =
    "import dns.zone,sys,time\nt=time.time()\n" \
      "dns.zone.from_file(sys.argv[1],'tide.example',relativize=False)\nprint(time.time()-t)"

  # Read by ours and by python3-dnspython, compared by ours and by ldns-compare-zones, start of the
  # process included.
  def zones
    Dir.mktmpdir do |folder|
      old, new =
        {
          "a" => zone_text(7),
          "b" => zone_text(7).sub(/192\.0\.2\.\d+/, "192.0.2.254")
        }.map { |n, text| File.join(folder, n).tap { |f| File.write(f, text) } }
      reading(old)
      compare = [
        File.expand_path("bin/steady-move"),
        "zone",
        "compare",
        old,
        new,
        "--origin",
        "tide.example"
      ]
      beside(
        "comparing two zones of #{RECORDS} records",
        -> { system(*compare, out: File::NULL) },
        ["ldns-compare-zones", "-a", old, new]
      )
      held_by(compare)
      zone = SteadyMove::Core::Records::ZoneReader.read(File.binread(old), origin: "tide.example")
      beside(
        "writing a zone of #{RECORDS} records in canonical order",
        -> { SteadyMove::Core::Records::ZoneWriter.write(zone) },
        ["ldns-read-zone", "-z", old]
      )
    end
  end

  def reading(file)
    text = File.binread(file)
    mine = median(5) { SteadyMove::Core::Records::ZoneReader.read(text, origin: "tide.example") }
    theirs =
      Array.new(3) { Open3.capture2("/usr/bin/python3", "-c", DNSPYTHON, file).first.to_f }.sort[1]
    row(
      "reading a zone of #{RECORDS} records",
      mine,
      "",
      format("dnspython %<t>.2f s, %<r>.1f times as long (limit 4)", t: theirs, r: theirs / mine)
    )
  end

  # Ours beside a general tool's, each a process of its own; nothing where the tool is not there.
  def beside(what, ours, command)
    mine = median(5, &ours)
    return row(what, mine, "") if system(*command, out: File::NULL, err: File::NULL).nil?

    theirs = median(5) { system(*command, out: File::NULL, err: File::NULL) }
    row(
      what,
      mine,
      "",
      format(
        "%<name>s %<theirs>.0f ms, %<ratio>.1f times",
        name: command.first,
        theirs: theirs * 1000,
        ratio: mine / theirs
      )
    )
  end

  # The most that a comparing process holds.
  def held_by(command)
    _, said, = Open3.capture3("/usr/bin/env", "time", "-f", "%M", *command)
    figure("memory of that comparison", "#{said.lines.last.to_i / 1024} MB", "300 MB")
  end

  # Lines of every common kind.
  def zone_text(serial)
    text =
      "$TTL 3600\n@ IN SOA ns1 hostmaster #{serial} 7200 3600 1209600 900\n@ NS ns1.other.test.\n"
    (RECORDS - 2).times { |i| text << line(i) }
    text
  end

  def line(index)
    case index % 10
    when 0..3
      "h#{index} 300 IN A 192.0.2.#{index % 250}\n"
    when 4
      "h#{index} AAAA 2001:db8::#{index.to_s(16)[0, 4]}\n"
    when 5
      "h#{index} 3600 IN MX 10 mail#{index % 100}\n"
    when 6
      "h#{index} 3600 IN TXT \"v=spf1 include:_spf#{index}.other.test -all\"\n"
    when 7
      "h#{index} 600 IN CNAME h#{index - 7}\n"
    when 8
      "_sip._tcp.h#{index} 3600 IN SRV 10 60 5060 h#{index - 8}.tide.example.\n"
    else
      "h#{index} 3600 IN CAA 0 issue \"certs.example\"\n"
    end
  end

  SMALL =
    "$TTL 600\n@ SOA ns1 h 7 7200 3600 1209600 900\n@ NS ns1.host.test.\n@ A 192.0.2.1\nwww " \
      "CNAME @\n" \
      "@ MX 10 mail.other.test.\n@ TXT \"v=spf1 mx -all\"\n_dmarc TXT \"v=DMARC1; p=none\"\n"

  # 200 names on two old and two new servers, by NSD on loopback, every set of each asked of every
  # server.
  def live_check
    names = Array.new(200) { |i| "n#{i}.example" }
    servers = Array.new(2) { Nsd.new(names.to_h { |n| [n, SMALL] }) }
    at =
      servers
        .flat_map
        .with_index { |s, i| %w[a b].map { |l| ["#{l}#{i}.host.test", "127.0.0.1:#{s.port}"] } }
        .to_h
    dns = SteadyMove::Wire::Dns::Client.new(servers: at)
    zones = SteadyMove::Desk::Common::Zones.new(Struct.new(:dns).new(dns))
    seconds =
      time do
        names.each do |n|
          zone = SteadyMove::Core::Records::ZoneReader.read(SMALL, origin: n)
          raise n if zones.deviations(at.keys, zone).any?
        end
      end
    row("200 names asked on 4 servers each, 5 sets", seconds, "10 s")
  ensure
    servers&.each(&:stop)
  end

  # Long tasks in Chromium while a carry sheet of 5,000 sets is opened, filtered and scrolled.
  def carry_sheet
    require_relative "long_sheet"
    sheet = LongSheet.new(5000)
    figure("carry sheet of 5,000 sets: longest task in Chromium", "#{sheet.longest} ms", "100 ms")
  ensure
    sheet&.close
  end
end
