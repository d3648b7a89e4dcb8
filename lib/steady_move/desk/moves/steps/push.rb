# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # The losing side hands the name over to the gaining one, which it is told by name; nobody
        # orders anything.
        class Push < Act
          include Transfers

          # Within one registrar nothing shows outside: a person sees it in the gaining account, and
          # says so there.
          def pushed
            begun = state.begun_at(step.id)
            if plan.options.include?(:within)
              return(
                Seen.new(
                  done: !begun.nil?,
                  says: sentence(:on_word),
                  not_yet: sentence(:not_shown),
                  source: :word
                )
              )
            end

            Seen.new(
              done: sight.stage == :landed,
              says: sight.says,
              not_yet: sentence(:not_shown),
              source: sight.source,
              ref: sight.ref
            )
          end
        end
      end
    end
  end
end
