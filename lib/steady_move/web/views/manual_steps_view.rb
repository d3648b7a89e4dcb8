# frozen_string_literal: true

module SteadyMove
  module Web
    module Views
      # What is to be done by hand, and letters as JSON.
      module ManualStepsView
        RECENT = 20

        module_function

        def page(desk, manual_steps, letters)
          moves = desk.moves.by_hand
          overdue = letters.overdue(moves)
          {
            places: manual_steps.places(moves).map { |p| place(p, desk, letters, moves) },
            consents: consents(manual_steps.consents(moves)),
            too_long: too_long(moves, desk.now),
            overdue: overdue.map { |l| letter(l) },
            letters: desk.letters.newest(RECENT).map { |l| letter(l) },
            can_send: letters.sends?,
            leavings: Desk::Closing::LeftBehind.new(desk).places.map { |p| leavings(p) }
          }
        end

        # others: emails of who is there, too; proven: [Desk::Moves::ManualSteps::Proven].
        def visit(others, proven)
          {
            others: others,
            proven:
              proven.map do |p|
                {
                  move: p.move_id,
                  step: p.step,
                  title: p.title,
                  at: Json.time(p.at),
                  **Json.name(p.name)
                }
              end
          }
        end

        def leavings(place)
          kinds =
            place.kinds.map do |key, title, moves|
              { key: key, title: title, moves: moves.map { |m| { id: m.id, **Json.name(m.name) } } }
            end
          {
            id: place.id,
            title: place.title,
            site: place.site,
            kinds: kinds,
            list: place.list,
            mailto: place.mailto
          }
        end

        # Names whose contacts are public now, and longer than the owner consented to.
        def too_long(moves, now)
          over = moves.select { |m| m.state.exposed.last&.last.nil? && m.state.overexposed?(now) }
          Json.shown(over.map(&:name))
        end

        def place(place, desk, letters, moves)
          writes =
            (
              if desk.accounts.find(place.id)
                letters.waiting(place.id, moves).map { |m, _| m.name }.uniq
              else
                []
              end
            )
          {
            id: place.id,
            title: place.title,
            site: place.site,
            login: place.login,
            letter_for: Json.shown(writes),
            items: place.items.map { |i| item(i) }
          }
        end

        def item(item)
          item
            .to_h
            .slice(:step, :title, :proof, :phase, :says, :letter)
            .merge(
              Json.name(item.name),
              move: item.move_id,
              hand: hand(item.hand),
              since: Json.time(item.since),
              said_at: Json.time(item.said_at)
            )
        end

        def order(line)
          return unless line

          line
            .to_h
            .except(:move_id, :name)
            .merge(
              price: Json.amount(line.price),
              holds: line.holds.map { |what, wanted| { what: what, wanted: wanted } }
            )
        end

        def hand(hand)
          return unless hand

          hand.to_h.merge(
            typed: hand.typed.map { |label, value| { label: label, value: value } },
            pastes: hand.pastes == true,
            types_code: hand.types_code == true,
            on_word: hand.on_word == true,
            records: hand.records == true,
            order: order(hand.order)
          )
        end

        def consents(due)
          due &&
            {
              moves: due.moves.map { |m| { id: m.id, **Json.name(m.name) } },
              shown: due.shown,
              until: Json.time(due.until)
            }
        end

        def letter(row)
          row.slice(
            :id,
            :recipient,
            :subject,
            :names,
            :kinds,
            :how,
            :state,
            :by,
            :account_id
          ).merge(
            at: Json.time(row[:at]),
            due_at: Json.time(row[:due_at]),
            answered_at: Json.time(row[:answered_at])
          )
        end

        # raw: the whole message, to be saved as a file.
        def draft(ready)
          d = ready.draft
          {
            to: d.to,
            subject: d.subject,
            text: d.text,
            kinds: d.kinds,
            names: d.names,
            reference: d.reference,
            message_id: ready.message_id,
            mailto: d.mailto,
            raw: ready.raw
          }
        end
        private_class_method :too_long, :place, :item, :consents, :letter, :order
      end
    end
  end
end
