# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # Writes a zone as text: one record a line, absolute names, SOA first, then in canonical order
      # (RFC 4034 §6.1).
      module ZoneWriter
        module_function

        # zone: Zone. Returns a master file (RFC 1035 §5.1), one record a line, SOA first, names
        # absolute.
        def write(zone)
          lines(zone).map { |r| "#{r}\n" }.join
        end

        # Its records, the SOA first, then in canonical order (RFC 4034 §6.1).
        def lines(zone)
          soa, rest = in_order(zone).partition { |r| r.type == "SOA" }
          soa + rest
        end

        # The same in canonical form and order throughout: names in lower case where RFC 4034 §6.2
        # has them so, the SOA in its place (§6.1, §6.3), types by their numbers.
        def canonical(zone)
          in_order(zone)
            .map do |r|
              "#{r.name.to_s.downcase(:ascii)} #{r.ttl} IN #{r.type} #{r.rdata.canonical}\n"
            end
            .join
        end

        def in_order(zone)
          zone
            .all
            .sort_by(&:order)
            .flat_map do |set|
              set.rdatas.one? ? set.to_a : set.to_a.sort_by { |r| r.rdata.canonical_wire }
            end
        end
        private_class_method :in_order
      end
    end
  end
end
