# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Waits until the public record shows the holder's own contacts.
        class ContactsShown < Act
          def call
            record = public_record
            unless shown?(record)
              return(
                wait(
                  sentence(:not_yet),
                  source: :record,
                  ref: record.url,
                  look_at: soon(step_state.since)
                )
              )
            end

            ports.observe.name(name, losing)
            done(sentence(:done), source: :record, ref: record.url)
          end

          private

          def shown?(record) = losing.readable?(record.registrant_email, plan.name)
        end
      end
    end
  end
end
