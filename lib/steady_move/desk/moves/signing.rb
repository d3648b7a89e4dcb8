# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      # What acts know of the DS at the registry.
      module Signing
        private

        # The DS that all of the registry's servers show; where none of them is known, the public
        # record can say that there is none. nil where it is not known.
        def shown_ds
          found = ports.servers.ds(name)
          return found.first if found

          [] if public_record.signed == false
        end

        def not_known = wait(sentence(:not_known), source: :registry, look_at: now + 300)

        # says: key of a sentence; change: add or rem, as Commands.update takes them.
        def change_ds(says, **change)
          intend(sentence(says)) do |key|
            epp(side, Act::Commands.update(name: plan.name, id: key, **change))
          end
        end

        # A look at all the registry's servers; the block answers whether they show what is wanted.
        def by_parents
          shown = shown_ds
          Act::Seen.new(
            done: !shown.nil? && yield(shown),
            says: sentence(:shown),
            not_yet: sentence(:not_shown),
            source: :registry
          )
        end
      end
    end
  end
end
