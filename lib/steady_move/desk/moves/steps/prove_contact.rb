# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # A word goes to the address that the registrar will write to, and has to come back. Sent
        # once; a letter that may have gone out counts as sent until it is late.
        class ProveContact < Act
          def call
            address = Instructions.contact(ports.accounts, ports.names, move)
            return problem(sentence(:no_address), source: :desk, yours: true) unless address

            mailbox, seen_at = ports.letters.mailboxes[address.downcase]
            case mailbox
            when "proven"
              done(
                sentence(:done, address: address, seen: Time.at(seen_at).utc),
                source: :own_mailbox
              )
            when "bounced"
              problem(
                sentence(:bounced, address: address),
                source: :own_mailbox,
                yours: true,
                look_at: now + 3600
              )
            else
              ask(address)
            end
          end

          private

          def ask(address)
            letter = ports.letters.of_step(move.id, step.id, to: address)
            # Cut off in the middle of sending: nobody knows whether it left, and a second word does
            # no harm.
            ports.letters.drop(letter[:id]) if letter && letter[:state] == "intended"
            return waiting(letter, address) if letter && letter[:state] != "intended"
            if by_hand?
              return(
                wait(
                  sentence(:send_it, address: address),
                  source: :own_mailbox,
                  look_at: now + ByHand::UNASKED
                )
              )
            end

            intend(sentence(:sending, address: address)) do
              ports.correspondence.prove(
                address,
                names: [plan.name],
                steps: [[move.id, step.id]],
                by: "desk"
              )
            end
            wait(sentence(:sent, address: address), source: :own_mailbox, look_at: now + 600)
          end

          def waiting(letter, address)
            values = { address: address, sent: letter[:at], due: letter[:due_at] }
            if now >= letter[:due_at]
              return(
                problem(
                  sentence(:late, **values),
                  source: :own_mailbox,
                  yours: true,
                  look_at: now + 3600
                )
              )
            end

            wait(
              sentence(:waiting, **values),
              source: :own_mailbox,
              look_at: [now + 3600, letter[:due_at]].min
            )
          end
        end
      end
    end
  end
end
