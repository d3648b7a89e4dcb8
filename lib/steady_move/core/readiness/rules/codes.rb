# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      module Rules
        # Authorization codes.
        module Codes
          WANTED = ->(about) { about.family.code != "none" }

          CODE_MISSING = Rule.of(asked: WANTED) { |facts, _, _| Rules.standing unless facts[:code_held] }

          # Past the lifetime that the family or the account gives it.
          CODE_STALE = Rule.of(asked: WANTED) do |facts, _, about|
            next unless facts[:code_held]

            ends = facts[:code_expires_at]&.to_i || (about.family.code_days && facts[:code_received_at] && (facts[:code_received_at].to_i + (about.family.code_days * DAY)))
            ends && [[ends, EVER, nil, { until: ends }]]
          end

          # Rejected, or with characters that the destination can't take; the code itself is never among the values.
          CODE_UNFIT = Rule.of(asked: WANTED, towards: true) do |facts, _, about|
            next unless facts[:code_held]
            next Rules.standing({ why: "the registry rejected it" }) if facts[:code_rejected]

            unfit = Array(facts[:code_unfit_for]).include?(about.destination&.id)
            unfit ? Rules.standing({ why: "it holds a character that #{about.destination.title} can't take" }) : nil
          end

          RULES = { "code-missing" => CODE_MISSING, "code-stale" => CODE_STALE, "code-unfit" => CODE_UNFIT }.freeze
        end
      end
    end
  end
end
