# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # The privacy service's identity check, which a person passes.
        class Identity < Act
          # Its mail says so; or privacy is off already, which nobody could do without it.
          def identity_passed
            mail = move.events.reverse.find { |e| e.counts? && passed?(e.data) }
            if mail
              return(
                Seen.new(
                  done: true,
                  says: sentence(:passed),
                  source: :mailbox,
                  ref: mail.evidence["ref"]
                )
              )
            end

            off = by_record { |r| losing.readable?(r.registrant_email, plan.name) }
            off.tap { |seen| seen.source = :mailbox unless seen.done }
          end

          def call = ByHand.call(self)

          private

          def passed?(data) = data["kind"] == "identity-check" && data["passed"]
        end
      end
    end
  end
end
