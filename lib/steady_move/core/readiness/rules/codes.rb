# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      module Rules
        # Authorization codes.
        module Codes
          WANTED = ->(about) { about.family.code != "none" }

          CODE_MISSING =
            Rule.of(asked: WANTED) { |facts, _, _| Rules.standing unless facts[:code_held] }

          def self.lives_until(received, days) = received && days && (received.to_i + (days * DAY))

          # Past the lifetime that the family or the account gives it.
          CODE_STALE =
            Rule.of(asked: WANTED) do |facts, _, about|
              next unless facts[:code_held]

              ends =
                facts[:code_expires_at]&.to_i ||
                  lives_until(facts[:code_received_at], about.family.code_days)
              ends && [[ends, EVER, nil, { until: ends }]]
            end

          # Rejected, or with characters that the destination can't take; the code itself is never
          # among the values.
          CODE_UNFIT =
            Rule.of(
              asked: WANTED,
              towards: %i[code_held code_rejected code_unfit_for]
            ) do |facts, entry, about|
              next unless facts[:code_held]
              next Rules.standing({ why: entry.words["rejected"] }) if facts[:code_rejected]

              unfit = Array(facts[:code_unfit_for]).include?(about.destination&.id)
              if unfit
                Rules.standing({ why: entry.words["unfit"].gsub("{to}", about.destination.title) })
              end
            end

          RULES = {
            "code-missing" => CODE_MISSING,
            "code-stale" => CODE_STALE,
            "code-unfit" => CODE_UNFIT
          }.freeze
        end
      end
    end
  end
end
