# frozen_string_literal: true

module Practice
  module Counters
    # A DNS host's pages for its customer: a table of records, forms for one record and for a whole
    # file, and a button that copies a zone from elsewhere by asking for usual names only, as such
    # buttons do.
    class HostDesk
      Records = SteadyMove::Core::Records
      No = FrontOffice::No
      # What its copying asks for: less than is usually there (common practice).
      COPIED = %w[@ www mail ftp].freeze
      TYPES = %w[A AAAA CNAME MX TXT].freeze

      # nil where there is no such host, or it has no pages.
      def self.of(world, id)
        row = world.scenario.hosts[id]
        row && row["counter"] ? new(world, id, row) : nil
      end

      def initialize(world, id, row)
        @world = world
        @host = world.hosts.fetch(id)
        @id = id
        @row = row
      end

      def title = @row["title"]
      def keys = @row["counter"].values_at("login", "password")

      def list(place)
        names =
          @host.origins.map do |o|
            [o.chomp("."), "#{@host.zone(Records::Name.parse(o)).size} records"]
          end
        "#{Page.names(place, names)}" \
          "#{Page.form("/counter/#{place}/all/open", "Open a zone", "name" => "Name")}"
      end

      def name(name)
        zone = zone(name)
        rows =
          zone
            .all
            .flat_map(&:to_a)
            .map do |r|
              owner =
                r.name == zone.origin ? "@" : r.name.to_s.delete_suffix(zone.origin.to_s).chomp(".")
              "<tr><td>#{Page.h(owner)}</td><td>#{r.type}</td><td>#{Page.h(shown(r))}</td><td>" \
                "#{r.ttl}</td></tr>"
            end
        head = %w[Name Type Value TTL].map { |h| "<th>#{h}</th>" }.join
        "<p>Name servers: #{@host.servers.join(", ")}</p><table><tr>#{head}" \
          "</tr>#{rows.join}</table>#{forms(name)}"
      end

      # what: the act; given: the form's fields. Returns a sentence.
      def do(name, what, given, _now)
        return open_zone(given["name"]) if what == "open"

        zone = zone(name)
        case what
        when "add"
          add(zone, given)
        when "drop"
          drop(zone, given)
        when "ttl"
          ttl(zone, given["ttl"])
        when "zone-file"
          file(zone, given["file"])
        when "copy"
          copy(zone)
        else
          raise No, "There is no such act."
        end
      end

      private

      def at(name, what) = "/counter/host-#{@id}/#{name}/#{what}"

      def forms(name)
        one = { "owner" => "Name", "type" => "Type", "value" => "Value", "ttl" => "TTL" }
        whole =
          (
            if @row.dig("knows", "reads_files") == false
              ""
            else
              Page.form(
                at(name, "zone-file"),
                "Read a zone file",
                { "file" => "Zone file" },
                %w[file]
              )
            end
          )
        [
          Page.form(at(name, "add"), "Add", one),
          Page.form(at(name, "drop"), "Delete", one.slice("owner", "type")),
          Page.form(at(name, "ttl"), "Set every TTL", "ttl" => "TTL"),
          whole,
          Page.form(at(name, "copy"), "Copy from the present name servers")
        ].join
      end

      def zone(name)
        @host.zone(Records::Name.parse(name)) or
          raise No, "There is no zone for #{name}; open one first."
      end

      def shown(record)
        return record.rdata.to_s.chomp(".") unless record.type == "TXT"

        record.rdata.values.first.join.force_encoding("UTF-8")
      end

      def open_zone(name)
        origin = Records::Name.parse(name.to_s.strip.downcase)
        @host.save(@host.fresh(origin)) unless @host.zone(origin)
        "There is a zone for #{origin.to_host}."
      rescue ArgumentError => e
        raise No, e.message
      end

      def add(zone, given)
        line = [given["owner"], given["type"], given["value"], given["ttl"]].join("\t")
        found =
          Records::TableReader.read("Name\tType\tValue\tTTL\n#{line}\n", origin: zone.origin.to_s)
        if found.problems.any?
          raise No, "It can't be read: #{found.problems.map(&:last).join("; ")}"
        end

        @host.take(zone.origin, zone.records + found.zone.records)
        "It is added."
      rescue Records::ZoneError => e
        raise No, e.message
      end

      def drop(zone, given)
        owner = given["owner"].to_s.strip
        name = owner == "@" ? zone.origin : Records::Name.parse(owner, origin: zone.origin)
        type = given["type"].to_s.strip.upcase
        @host.take(zone.origin, zone.records.reject { |r| r.name == name && r.type == type })
        "It is deleted."
      end

      def ttl(zone, seconds)
        raise No, "A number of seconds is expected." unless seconds.to_s.match?(/\A\d{1,7}\z/)

        @host.take(
          zone.origin,
          zone.records.map do |r|
            Records::Record.new(name: r.name, ttl: seconds.to_i, rdata: r.rdata)
          end
        )
        "Every TTL is #{seconds}."
      end

      def file(zone, text)
        read = Records::ZoneReader.read(text.to_s.gsub("\r\n", "\n"), origin: zone.origin.to_s)
        @host.take(zone.origin, read.records)
        "#{read.records.size} records are read."
      rescue Records::ZoneError => e
        raise No, e.message
      end

      # Asks whoever serves the name now, for usual names alone.
      def copy(zone)
        host = @world.hosts.values.find { |h| h.id != @id && h.zone(zone.origin) } or
          raise No, "Nobody serves it."
        theirs = host.zone(zone.origin)
        found =
          COPIED.flat_map do |label|
            name = label == "@" ? zone.origin : Records::Name.parse(label, origin: zone.origin)
            TYPES.flat_map { |type| theirs[name, type].to_a }
          end
        @host.take(zone.origin, found)
        "#{found.size} records are copied."
      end
    end
  end
end
