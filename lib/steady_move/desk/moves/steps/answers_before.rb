# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Asks every name server of the record for every record set of the copy, and keeps what it
        # answers. Where none of them serves the zone, a person is told before money is spent.
        class AnswersBefore < Act
          def call
            zone = ports.zones.of_move(move.id, plan.name)
            return done(sentence(:no_copy), source: :desk) unless zone

            servers = public_record.name_servers || plan.name_servers.to_a
            answers = ports.servers.answers(servers, zone)
            ref = servers.join(", ")
            unless answers.values.any? { |a| a && a.size < zone.answering.size }
              return(
                problem(
                  sentence(:nobody, servers: servers),
                  source: :dns,
                  yours: true,
                  ref: ref,
                  look_at: now + 3600
                )
              )
            end

            done(
              sentence(:done, servers: servers, sets: Words.sets(zone.content.size)),
              source: :dns,
              ref: ref,
              answers_before: answers
            )
          end
        end
      end
    end
  end
end
