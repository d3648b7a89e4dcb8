# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # Writes a zone as text: one record a line, absolute names, SOA first, then in canonical order (RFC 4034 §6.1).
      module ZoneWriter
        module_function

        # zone: Zone. Returns a master file (RFC 1035 §5.1), one record a line, SOA first, names absolute.
        def write(zone)
          lines(zone).map { |r| "#{r}\n" }.join
        end

        # Its records in canonical order (RFC 4034 §6.1).
        def lines(zone)
          soa, rest = zone.records.partition { |r| r.type == "SOA" }
          soa + rest.sort_by { |r| [r.name.key.reverse, Rdata.number_of(r.type), r.rdata.to_wire(canonical: true)] }
        end
      end
    end
  end
end
