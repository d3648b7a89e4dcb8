# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # When caches have forgotten the old name servers. All values in seconds.
      # parent_ns: TTL of the NS set at the parent; zone_ns: of the NS set in the zone; greatest:
      # greatest TTL in the old zone; negative: how long a denial is kept (RFC 2308 §5); registry:
      # time until the registry publishes a change; old_set: does the old zone's own NS set name the
      # new servers from the switch on? Where it doesn't, who learns it late from the old zone asks
      # there for its TTL once more (RFC 2181 §5.4.1), and who renews it with every answer asks for
      # ever: no time bounds that one.
      Handover =
        Struct.new(
          :parent_ns,
          :zone_ns,
          :greatest,
          :negative,
          :registry,
          :old_set,
          keyword_init: true
        ) do
          # Longest time during which the old servers may still be asked: R + max(P, N), else R + P
          # + N.
          def asked_for = registry + (old_set ? [parent_ns, zone_ns].max : parent_ns + zone_ns)

          # Time after the switch at which no cache holds anything of the old host: that + max(m,
          # X). Derived from RFC 1035 §3.2.1 (TTL) and RFC 2308 §5; the parts as in common practice.
          def settles_after = asked_for + [greatest, negative].max
        end
    end
  end
end
