# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # After the switch back: until R + max(P, N) + max(m, X) somebody may hold what the new host
        # said, and a DS put back before that would make it bogus for whoever validates (RFC 6781
        # §4.3.5; the sum: core/records/handover.rb). R is over when every server of the registry
        # shows the old name servers.
        class NsBackSettled < Act
          include Zonal

          def call
            if left_there?
              return done(sentence(:stays, host: new_host&.title), source: :desk, stays_new: true)
            end

            ends = settles_at or return shown
            if now < ends
              return(
                wait(
                  sentence(:waiting, until: ends, host: new_host&.title),
                  source: :ttls,
                  look_at: ends
                )
              )
            end

            return done(sentence(:not_compared), source: :ttls) unless old_zone

            bad = ports.servers.deviations(old_servers, old_zone)
            if bad.empty?
              return done(sentence(:done), source: :ttls_then_dns, ref: old_servers.join(", "))
            end

            problem(
              sentence(:changed, what: bad.first(3).map(&:says).join("; ")),
              source: :dns,
              yours: true,
              look_at: now + 3600
            )
          end

          private

          # A person left the name servers where they are: then the old DS stays away.
          def left_there? = state.with_trait(:servers_back)&.event&.type == "accepted"
          def old_servers = plan.old_name_servers || old_host&.name_servers || []

          # When all of the registry's servers show the old set, this is kept, with what the new
          # host's answers last.
          def shown
            servers, ttl = ports.servers.delegation(name)
            known = servers.nil? ? public_record.name_servers.to_a : servers
            unless known.sort == old_servers.sort
              return wait(sentence(:not_shown), source: :registry, look_at: now + 300)
            end

            seconds = back_seconds(ttl)
            wait(
              sentence(:waiting, until: now + seconds, host: new_host&.title),
              source: :registry,
              look_at: now + seconds,
              back_shown: now,
              back_seconds: seconds
            )
          end

          def settles_at
            told =
              move.events.reverse_each.find { |e| e.step == step.id && e.data["back_shown"] } or
              return
            told.data["back_shown"] + told.data["back_seconds"]
          end

          def back_seconds(parent)
            day = Common::Zones::ASSUMED.parent_ns
            zone = old_zone && new_host && wanted_zone
            Core::Records::Handover.new(
              parent_ns: parent || day,
              zone_ns: own_set || day,
              registry: 0,
              greatest: zone ? zone.greatest_ttl : day,
              negative: zone ? zone.negative_ttl : day,
              old_set: back_set?
            ).settles_after
          end

          # TTL of the NS set that the new host itself hands out; nil where it does not say.
          def own_set
            server = new_host&.name_servers.to_a.first
            server && ports.servers.told(server, name, "NS").map(&:ttl).max
          rescue Wire::Error
            nil
          end

          # Does the new host's own NS set name the old servers again?
          def back_set? = state.told("back_set")&.data&.fetch("back_set", false) == true
        end
      end
    end
  end
end
