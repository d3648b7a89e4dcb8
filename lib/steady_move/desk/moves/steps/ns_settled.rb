# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Waits out every cache from the instant at which the switch was seen (handover rule, step
        # 4).
        class NsSettled < Act
          include Zonal

          def call
            ends = settles_at
            return wait(sentence(:waiting, until: ends), source: :ttls, look_at: ends) if now < ends

            keep_answers
            bad = ports.servers.deviations(new_host.name_servers, wanted_zone)
            if bad.empty?
              return(
                done(sentence(:done), source: :ttls_then_dns, ref: new_host.name_servers.join(", "))
              )
            end

            problem(
              sentence(:changed, what: bad.first(3).map(&:says).join("; ")),
              source: :dns,
              yours: true
            )
          end

          private

          def settles_at
            fetched = state.told("greatest").data
            shown = state.told("parent_ttl")
            parent = shown.data["parent_ttl"] || Common::Zones::ASSUMED.parent_ns
            handover =
              Core::Records::Handover.new(
                parent_ns: parent,
                zone_ns: fetched["zone_ns"],
                greatest: fetched["greatest"],
                negative: fetched["negative"],
                registry: 0,
                old_set: old_set?
              )
            [shown.at, state.told("old_set")&.at].compact.max + handover.settles_after
          end

          # Does the old zone itself name the new servers?
          def old_set? = state.told("old_set")&.data&.fetch("old_set", false) == true
        end
      end
    end
  end
end
