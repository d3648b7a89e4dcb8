# frozen_string_literal: true

module SteadyMove
  module Desk
    # What name servers say: whole zones, single sets, the delegation at the registry.
    class Zones
      Records = Core::Records

      # One server's deviation from the zone that it should serve.
      Deviation = Struct.new(:server, :name, :type, :says, keyword_init: true)

      def self.key(host) = host.key_name && host.secret && { name: host.key_name, secret: host.secret }

      def initialize(app)
        @app = app
      end

      # The NS set at the registry's own server: [server names, TTL], or nil where no such server is known.
      def delegation(name)
        parent = @app.dns.parent_server(name) or return
        answer = @app.dns.query(parent, name.ascii, "NS")
        sets = (answer.authority + answer.answer).select { |r| r.type == "NS" && r.name.to_host == name.ascii }
        [sets.map { |r| r.rdata.values.first.to_host.downcase }.sort, sets.map(&:ttl).min || 0]
      end

      # Does the registry's own server hold a DS for the name? nil where no such server is known, or it is not the one
      # to ask.
      def signed(name)
        parent = @app.dns.parent_server(name) or return
        answer = @app.dns.query(parent, name.ascii, "DS")
        return unless answer.rcode == "NOERROR"
        return true if answer.answer.any? { |r| r.type == "DS" }

        answer.authoritative ? false : nil
      end

      # TTL facts for leaving the present servers (Records::Handover), asked at the registry and read from the zone.
      def handover(name, zone)
        parent_ttl = delegation(name)&.last || Planning::ASSUMED.parent_ns
        zone_ns = zone[zone.origin, "NS"]&.ttl || 0
        Records::Handover.new(parent_ns: parent_ttl, zone_ns: zone_ns, greatest: zone.greatest_ttl,
          negative: zone.negative_ttl,
          registry: 0)
      end

      # Asks every server for every content set of the zone. Returns [Deviation]; empty where all answer the same
      # content.
      def deviations(servers, zone)
        servers.flat_map { |server| zone.content.filter_map { |set| deviation(server, set) } }
      end

      private

      def deviation(server, set)
        answer = @app.dns.query(server, set.name.to_s, set.type)
        got = answer.answer.select { |r| r.type == set.type && r.name == set.name }.map { |r| r.rdata.meaning }.sort
        return if answer.authoritative && got == set.meanings

        key = if answer.authoritative then got.empty? ? "missing" : "differs"
        else "not_served"
        end
        says = Words.say("zones.#{key}", server: server, type: set.type, name: set.name.to_host, rcode: answer.rcode)
        Deviation.new(server: server, name: set.name.to_host, type: set.type, says: says)
      end
    end
  end
end
