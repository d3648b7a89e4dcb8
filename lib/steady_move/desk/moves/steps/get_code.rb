# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # The move takes a code that was kept before, from a mail or a list, as long as it lives;
        # else over the connection.
        class GetCode < Act
          def call
            if ports.codes.of_move(move.id) || from_safe
              return done(sentence(:done), source: :code_safe)
            end
            unless plan.way("code") == "connection"
              return problem(sentence(:none), source: :code_safe, yours: true, look_at: now + 3600)
            end

            code = info(losing).auth_info
            unless code
              return(
                problem(sentence(:not_given), source: source, yours: true, look_at: now + 3600)
              )
            end

            ports.codes.put(move.id, plan.name, code, at: now)
            done(sentence(:done), source: source)
          end

          private

          def source = [:epp_info, { at: losing.title }]

          def from_safe
            lives = ports.rulebook.call.code_life(name)
            ports.codes.take_for(move.id, plan.name, at: now, lives: lives)
          end
        end
      end
    end
  end
end
