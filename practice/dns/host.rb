# frozen_string_literal: true

module Practice
  module Dns
    # A DNS host: its zones and who may fetch or change them. keys: {TSIG key name => secret
    # (base64)}.
    class Host
      Records = SteadyMove::Core::Records
      attr_reader :id, :servers, :keys, :random

      def initialize(id, row, db)
        @id = id
        @servers = row.fetch("name_servers")
        @keys = row["key"] ? { row["key"]["name"] => row["key"]["secret"] } : {}
        @limits = row["limits"] || {}
        @transfer = row.fetch("transfer", true)
        @zones = db[:zones].where(host: id)
        @table = db[:zones]
        @read = {}
      end

      def transfer? = @transfer

      # The zone that holds a name, longest apex first; nil where none is served.
      def zone_for(name)
        name
          .labels
          .size
          .downto(1) do |count|
            origin = Records::Name.new(name.labels.last(count))
            zone = zone(origin) and return zone
          end
        nil
      end

      def zone(origin)
        text = @zones.where(origin: origin.to_s.downcase).get(:text)
        text && read(text, origin.to_s)
      end

      def save(zone)
        @table.insert_conflict(:replace).insert(
          host: id,
          origin: zone.origin.to_s.downcase,
          text: Records::ZoneWriter.write(zone)
        )
      end

      # What a customer puts there, as this host takes it: with its own SOA and name servers, and
      # within its limits. Raises FrontOffice::No.
      def take(origin, records)
        star = records.find { |r| r.name.wildcard? }
        if star && @limits["wildcard"] == false
          raise FrontOffice::No, "No wildcards here: #{star.name}"
        end

        own =
          (zone(origin) || fresh(origin)).records.select do |r|
            r.name == origin && %w[SOA NS].include?(r.type)
          end
        theirs = records.reject { |r| r.name == origin && %w[SOA NS].include?(r.type) }
        low = @limits["ttl_floor"] || 0
        save(
          Records::Zone.new(
            origin,
            own +
              theirs.map do |r|
                Records::Record.new(name: r.name, ttl: [r.ttl, low].max, rdata: r.rdata)
              end
          )
        )
      end

      # The tops of its zones, as text.
      def origins = @zones.order(:origin).select_map(:origin)

      def drop(origin) = @zones.where(origin: origin).delete

      # Zones are read once for as long as their text stays the same.
      def read(text, origin)
        known, zone = @read[origin]
        return zone if known == text

        Records::ZoneReader.read(text, origin: origin).tap { |fresh| @read[origin] = [text, fresh] }
      end

      # The zone as it is before the customer's first update: its own SOA and NS.
      def fresh(origin)
        text =
          "#{origin} 3600 IN SOA #{servers.first}. hostmaster.#{servers.first}. 1 7200 3600 " \
            "1209600 3600\n" + servers.map { |s| "#{origin} 3600 IN NS #{s}.\n" }.join
        Records::ZoneReader.read(text, origin: origin.to_s)
      end
    end
  end
end
