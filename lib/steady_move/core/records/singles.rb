# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # What may stand but once, and what must stand alone: SOA (RFC 1035 §5.2), CNAME (RFC 1034
      # §3.6.2, RFC 2181 §10.1) and DNAME (RFC 6672 §2.4).
      class Singles
        ONCE = %w[SOA CNAME DNAME].freeze
        # May stand beside a CNAME (RFC 2181 §10.1, RFC 4034 §2, §3, §4).
        BESIDE = %w[CNAME RRSIG NSEC SIG KEY NXT].freeze

        # {Name => {type => [Record]}} of what was added.
        attr_reader :there

        def initialize
          @there = {}
        end

        # Raises ArgumentError where it may not stand there.
        def add(record, apex)
          type = record.type
          no_star(record) if type == "NS"
          held = @there[record.name]
          return @there[record.name] = { type => [record] } if held.nil? && type != "SOA"

          if held.nil? || held.key?("CNAME") || ONCE.include?(type)
            closely(record, held || {}, apex)
          end
          ((@there[record.name] ||= {})[type] ||= []) << record
        end

        private

        def no_star(record)
          return unless record.name.wildcard?

          raise ArgumentError, "an NS can't stand at a wildcard: #{record.name} (RFC 4592 §4.2)"
        end

        def closely(record, held, apex)
          if record.type == "SOA" && record.name != apex
            raise ArgumentError, "an SOA stands at the top of a zone alone"
          end

          once(record, held[record.type]&.first&.rdata)
          alone(record, held)
        end

        def once(record, before)
          return unless before && ONCE.include?(record.type)
          return if record.type != "SOA" && before == record.rdata

          raise ArgumentError, "a second #{record.type} stands at #{record.name}"
        end

        def alone(record, held)
          others = held.keys - BESIDE
          aside =
            (
              if record.type == "CNAME"
                others.any?
              else
                held.key?("CNAME") && !BESIDE.include?(record.type)
              end
            )
          raise ArgumentError, "a CNAME stands beside other data at #{record.name}" if aside
        end
      end
    end
  end
end
