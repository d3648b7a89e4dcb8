# frozen_string_literal: true

module Practice
  module Dns
    # Applies one update message (RFC 2136 §3.4.2). A zone that the host doesn't hold yet begins
    # with the customer's first update: a habit of this host.
    class Update
      Codec = SteadyMove::Wire::Dns::Codec
      Records = SteadyMove::Core::Records

      def initialize(host, request)
        @host = host
        @request = request
      end

      # Returns the response code.
      def apply
        zone_name = @request.question.first&.qname || @request.zone.first&.zname
        return "FORMERR" unless zone_name

        origin = Codec.name_of(zone_name)
        zone = @host.zone(origin) || @host.fresh(origin)
        records = @request.authority.reduce(zone.records) { |list, rr| change(list, rr, origin) }
        return "NOTZONE" unless records.all? { |r| r.name.under?(origin) }

        @host.save(Records::Zone.new(origin, bump(records)))
        "NOERROR"
      end

      private

      def change(records, resource, origin)
        name = Codec.name_of(resource.name)
        type = Records::Rdata.type_of(resource.type.code)
        return records if name == origin && type == "SOA" # the SOA stays the host's

        case resource.klass.string
        when "NONE"
          without(records, name, Codec.decode(resource), origin)
        when "ANY"
          records.reject do |r|
            r.name == name && (%w[ANY TYPE255].include?(type) || r.type == type) &&
              !apex_own?(r.name, r.type, origin)
          end
        else
          records | [Codec.decode(resource)]
        end
      end

      # One record; never the last NS of the apex (RFC 2136 §3.4.2.4).
      def without(records, name, given, origin)
        same = records.select { |r| r.name == name && r.rdata == given.rdata }
        apex = records.count { |r| r.name == origin && r.type == "NS" }
        name == origin && given.type == "NS" && apex == same.size ? records : records - same
      end

      # A set of the apex's SOA or NS is never removed whole.
      def apex_own?(name, type, origin) = name == origin && %w[SOA NS].include?(type)

      def bump(records)
        records.map do |r|
          next r unless r.type == "SOA"

          values = r.rdata.values.dup.tap { |v| v[2] = (v[2] + 1) % (1 << 32) }
          Records::Record.new(name: r.name, ttl: r.ttl, rdata: Records::Rdata.new("SOA", values))
        end
      end
    end
  end
end
