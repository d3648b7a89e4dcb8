# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Renews the name at the losing registrar for a year. The expiry that it had goes with the
        # command, so that a second one renews nothing (RFC 5731 §3.2.3). Proven by the later expiry
        # alone.
        class Renew < Act
          def call
            held = expiry
            return shown(held) if renewed?(held)

            from = held || plan.renewed_from
            intend(sentence(:renewing)) do |key|
              epp(losing, Commands.renew(name: plan.name, id: key, expires_at: from, years: 1))
            end
            held = expiry
            return shown(held) if renewed?(held)

            wait(sentence(:not_shown_yet), source: [:epp, { at: losing.title }], look_at: now + 300)
          end

          def renewed
            record = public_record
            Seen.new(
              done: renewed?(record.expires_at),
              says: sentence(:done, expires: record.expires_at),
              not_yet: sentence(:not_shown),
              source: :record,
              ref: record.url
            )
          end

          private

          # A registrar's answer may leave it out (RFC 5731 §3.1.2: exDate is optional); then the
          # public record tells it.
          def expiry = info(losing).expires_at || public_record.expires_at

          def renewed?(expires) = !expires.nil? && expires > plan.renewed_from
          def shown(expires)
            done(sentence(:done, expires: expires), source: [:epp, { at: losing.title }])
          end
        end
      end
    end
  end
end
