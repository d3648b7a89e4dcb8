# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Looks at the code before it is used: can the gaining side take it, and does the registry?
        class CheckCode < Act
          include CodeTrouble

          def call
            code = ports.codes.of_move(move.id)
            form = Accounts::Destinations.settings(gaining).takes_codes
            return unfit if form && !form.takes?(code)
            unless gaining.epp?
              return done(sentence(:unchecked), source: [:takes, { at: gaining.title }])
            end

            info(gaining, code: code)
            ports.codes.checked(move.id)
            done(sentence(:done), source: [:epp_code, { at: gaining.title }])
          rescue Wire::Refused => e
            raise unless Core::Moves::Answers.meaning("info", e.code) == :code

            code_rejected
          end

          private

          # Found before any order: the gaining side's form would refuse it.
          def unfit
            source = [:takes, { at: gaining.title }]
            unless asked?
              return problem(sentence(:unfit), source: source, yours: true, look_at: now + 86_400)
            end

            ports.codes.wipe_of_move(move.id)
            reopen(code_step, sentence(:unfit_asked))
            wait(sentence(:unfit_asked), source: source, look_at: now + 86_400)
          end
        end
      end
    end
  end
end
