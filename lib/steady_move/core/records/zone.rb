# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # A zone: its apex Name and record sets. Immutable.
      class Zone
        # What belongs to the host and its keys, and is not carried.
        HOST = ["SOA", *Rdata::SIGNING].freeze

        # ignored: [[line, Record]] that a file held and that lie outside the zone.
        # problems: [ZoneError] of what was left out because it is wrong.
        attr_reader :origin, :ignored, :problems

        # gathered: {Name => {type => [Record]}} where that is known already; it is taken over.
        def initialize(origin, records, ignored: [], problems: [], gathered: {})
          @origin = origin
          @problems = problems.freeze
          @ignored = ignored.freeze
          @by_name = gathered
          records.each { |r| ((@by_name[r.name] ||= {})[r.type] ||= []) << r }
          @by_name.each_value { |types| types.transform_values! { |list| gather(list) } }
          @all = @by_name.values.flat_map(&:values).freeze
          @cuts =
            @all
              .filter_map { |s| s.name if s.type == "NS" && s.name != origin }
              .to_h { |n| [n, n] }
              .freeze
          freeze
        end

        # Every RecordSet.
        attr_reader :all

        # The set of a name and type, or nil.
        def [](name, type) = @by_name[name]&.fetch(type, nil)
        # The sets of a name.
        def at(name) = @by_name.fetch(name, {}).values
        # {[Name, type] => RecordSet}
        def sets = all.to_h { |s| [s.id, s] }
        def records = all.flat_map(&:to_a)
        def size = all.sum { |s| s.rdatas.size }
        def soa = self[origin, "SOA"]&.rdatas&.first
        def name_servers = (self[origin, "NS"]&.rdatas || []).map { |r| r.values.first }

        # Seconds a denial may be cached: the lesser of the SOA's TTL and MINIMUM (RFC 2308 §5).
        def negative_ttl
          set = self[origin, "SOA"] or return 0
          [set.ttl, set.rdatas.first.values.last].min
        end

        # The greatest TTL of any record set.
        def greatest_ttl = all.map(&:ttl).max || 0

        # What is carried to another host: all but the SOA, the apex name servers and the
        # signatures, which belong to the host.
        def content
          all.reject { |s| HOST.include?(s.type) || (s.type == "NS" && s.name == origin) }
        end

        # The delegation at or above a name, below the apex (RFC 1034 §4.2); nil where the zone
        # itself answers.
        def cut(name)
          return if @cuts.empty?

          ((origin.labels.size + 1)..name.labels.size).each do |count|
            cut = @cuts[Name.new(name.labels.last(count))] and return cut
          end
          nil
        end

        # What is carried and answers: without what a delegation hides, but with the addresses that
        # it needs (RFC 1034 §4.2.1, §4.3.2; RFC 4035 §3.1.4.1 for DS).
        def answering
          return content if @cuts.empty?

          content.select do |s|
            (cut = cut(s.name)).nil? || (cut == s.name && %w[NS DS].include?(s.type)) ||
              glue?(s, cut)
          end
        end

        private

        def glue?(set, cut)
          %w[A AAAA].include?(set.type) &&
            self[cut, "NS"].rdatas.any? { |r| r.values.first == set.name }
        end

        def gather(records)
          first = records.first
          if records.one?
            return(
              RecordSet.new(
                name: first.name,
                type: first.type,
                ttl: first.ttl,
                rdatas: [first.rdata]
              )
            )
          end

          RecordSet.new(
            name: first.name,
            type: first.type,
            ttl: first.ttl,
            rdatas: records.map(&:rdata).uniq.freeze
          ).freeze
        end
      end
    end
  end
end
