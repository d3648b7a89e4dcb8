# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # A zone: its apex Name and record sets by [Name, type]. Immutable.
      class Zone
        # ignored: [[line, Record]] that a file held and that lie outside the zone.
        attr_reader :origin, :sets, :ignored

        def initialize(origin, records, ignored: [])
          @origin = origin
          @ignored = ignored.freeze
          @sets = records.group_by { |r| [r.name, r.type] }.transform_values { |rs| gather(rs) }.freeze
          @cuts = @sets.keys.filter_map do |n, type|
            n if type == "NS" && n != origin
          end.sort_by { |n| n.labels.size }.freeze
          freeze
        end

        def [](name, type) = sets[[name, type]]
        def records = sets.values.flat_map(&:to_a)
        def size = sets.values.sum { |s| s.rdatas.size }
        def soa = self[origin, "SOA"]&.rdatas&.first
        def name_servers = (self[origin, "NS"]&.rdatas || []).map { |r| r.values.first }

        # Seconds a denial may be cached: the lesser of the SOA's TTL and MINIMUM (RFC 2308 §5).
        def negative_ttl
          set = self[origin, "SOA"] or return 0
          [set.ttl, set.rdatas.first.values.last].min
        end

        # The greatest TTL of any record set.
        def greatest_ttl = sets.values.map(&:ttl).max || 0

        # What is carried to another host: all but the SOA, the apex name servers and the signatures, which belong to
        # the host.
        def content
          sets.values.reject do |s|
            (s.name == origin && %w[SOA NS].include?(s.type)) ||
              Rdata::SIGNING.include?(s.type)
          end
        end

        # The delegation at or above a name, below the apex (RFC 1034 §4.2); nil where the zone itself answers.
        def cut(name)
          @cuts.find { |c| name.under?(c) }
        end

        private

        def gather(records)
          RecordSet.new(name: records.first.name, type: records.first.type, ttl: records.map(&:ttl).min,
            rdatas: records.map(&:rdata).uniq.freeze).freeze
        end
      end
    end
  end
end
