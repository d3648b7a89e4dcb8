# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # When what has to happen in a handover, one thing after another (rules of the job §6; RFC
      # 6781 §4.3.5 for the DS, RFC 2181 §5.4.1 for the NS set, RFC 2308 §5 for denials). Each
      # instant rests on the one before having been seen, so that a step that comes late only moves
      # what follows.
      #
      # All values in seconds. old_max_ttl: greatest TTL in the old zone before it is lowered (M);
      # lowered_ttl: after (m); parent_ns_ttl (P), zone_ns_ttl (N): of the NS set at the parent and
      # in the zone; ds_ttl (D); negative_ttl (X); publication: until all servers of the registry
      # show a change (R); signed: has the name a DS whose keys stay behind; old_zone_ns_follows: is
      # the old zone's own NS set changed at the switch; old_host_ends_with_registration;
      # fastest_move: from the order to the landing, at the least. seen: {instant's name => Time} of
      # what has happened; now: nothing that has not happened lies before it; both may be left out.
      HandoverSchedule =
        Struct.new(
          :start,
          :old_max_ttl,
          :lowered_ttl,
          :parent_ns_ttl,
          :zone_ns_ttl,
          :ds_ttl,
          :negative_ttl,
          :publication,
          :signed,
          :old_zone_ns_follows,
          :old_host_ends_with_registration,
          :fastest_move,
          :seen,
          :now,
          keyword_init: true
        ) do
          # {instant's name => Time}; ds_remove_at is nil where nothing is signed. The order comes
          # last of what the losing side is needed for, since a registry bars changes while a
          # transfer is pending (RFC 5731 §2.3).
          #   lower_at: TTLs are lowered; rely_at: no cache has the long ones any more; ds_remove_at; switch_at: name
          #   servers are changed; order_at: the transfer may be ordered; retire_at: the old host may go.
          def instants
            {
              lower_at: lower_at,
              rely_at: rely_at,
              ds_remove_at: ds_remove_at,
              switch_at: switch_at,
              order_at: order_at,
              retire_at: retire_at
            }
          end

          def lower_at = happens(:lower_at, start)
          def rely_at = lower_at + old_max_ttl
          # Beside the lowering: neither waits for the other.
          def ds_remove_at = signed ? happens(:ds_remove_at, lower_at) : nil

          # With the long TTLs gone from every cache, and with the DS gone, and what was validated
          # with it: R + D + m after its removal. What was validated before the TTLs were lowered is
          # gone once these can be relied on.
          def switch_at = happens(:switch_at, [rely_at, ds_forgotten_at].compact.max)
          def ds_forgotten_at = signed ? ds_remove_at + publication + ds_ttl + lowered_ttl : nil

          # Until when somebody may ask the old host's servers, and after how long all have
          # forgotten it.
          def asked_until = switch_at + handover.asked_for
          def retire_at = switch_at + handover.settles_after

          # With a host that ends with the registration even the fastest move must land after all
          # have forgotten it.
          def order_at
            shown = switch_at + publication
            happens(
              :order_at,
              old_host_ends_with_registration ? [shown, retire_at - fastest_move].max : shown
            )
          end

          # How long a way back takes until nobody asks the new host any more, from a switch back at
          # any instant.
          def way_back_seconds
            publication + [parent_ns_ttl, zone_ns_ttl].max + [lowered_ttl, negative_ttl].max
          end

          # Is there somebody whom no time bounds: who renews the old zone's own NS set with every
          # answer?
          def unbounded? = !old_zone_ns_follows

          private

          def happens(key, planned)
            (seen || {})[key] || (now ? [planned, now].max : planned)
          end

          def handover
            Handover.new(
              parent_ns: parent_ns_ttl,
              zone_ns: zone_ns_ttl,
              greatest: lowered_ttl,
              negative: negative_ttl,
              registry: publication,
              old_set: old_zone_ns_follows
            )
          end
        end
    end
  end
end
