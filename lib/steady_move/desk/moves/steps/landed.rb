# frozen_string_literal: true

module SteadyMove
  module Desk
    module Steps
      # Waits until registry and public record show the name at the gaining side.
      class Landed < Act
        include Transfers

        def call
          there = info(gaining)
          transfer = our_transfer
          record = public_record
          arrived = transfer && there.sponsor == transfer.requested_by && record.registrar == gaining.registrar
          return wait(sentence(:not_yet), source: :info_and_record, look_at: now + 300) unless arrived

          arrive
          done(sentence(:done), source: :registry_and_record, ref: record.url, landed_at: transfer.act_at,
            expires_at: there.expires_at)
        end

        private

        # From now on the name belongs to the gaining account; a spent code is wiped.
        def arrive
          ports.names.put(name, gaining.id, at: now)
          ports.names.forget(plan.name, :account)
          ports.codes.wipe(plan.name)
        end
      end
    end
  end
end
