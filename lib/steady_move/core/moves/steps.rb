# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      # All steps in their usual order. Durations: rules.md §5, common practice; the wait for caches is computed per plan.
      module Steps
        MINUTE = 60
        HOUR = 3600
        DAY = 86_400

        row = lambda do |id, rail, stage, actor, title, needs, proof, takes, undo = nil, holds_in = nil|
          Step.new(id: id, rail: rail, stage: stage, actor: actor, title: title, needs: needs, proof: proof,
                   takes: takes, undo: undo, holds_in: holds_in).freeze
        end

        ALL = [
          row["fetch-zone", "records", "Survey", "clock", "Fetch the zone of {name} from {old_host}", [],
              "a complete zone transfer", [5, 30, 5 * MINUTE], nil, :carry],
          row["put-zone", "records", "Make ready", "clock", "Put the records on {new_host}", %w[fetch-zone],
              "the new host's own answer to the update", [5, 30, 5 * MINUTE], "delete the zone at {new_host}", :carry],
          row["compare-hosts", "records", "Make ready", "clock", "Ask {old_host} and {new_host} for every record set and compare", %w[put-zone],
              "both hosts' answers, set by set", [5, 30, 5 * MINUTE], nil, :carry],
          row["switch-ns", "records", "Make ready", "clock", "Switch the name servers to {new_host}", %w[compare-hosts],
              "the registrar's reply", [5, 30, 5 * MINUTE], "set the old name servers again", :carry],
          row["ns-shown", "records", "Make ready", "theirs", "Wait until the registry shows the new name servers", %w[switch-ns],
              "the public record and the registry's own name servers", [MINUTE, 15 * MINUTE, HOUR], nil, :carry],
          row["ns-settled", "records", "Make ready", "clock", "Wait until no cache holds the old host's answers", %w[ns-shown],
              "the TTLs that were seen, and a last comparison", [0, 0, 0], nil, :carry],
          row["unlock", "registration", "Make ready", "clock", "Take the transfer lock off at {from}", %w[ns-settled],
              "the registrar's reply", [5, 30, 5 * MINUTE], "put the lock on again", :lock],
          row["lock-gone", "registration", "Make ready", "theirs", "Wait until the public record no longer shows the lock", %w[unlock],
              "the public record", [MINUTE, 15 * MINUTE, HOUR], nil, :lock],
          row["get-code", "registration", "Make ready", "clock", "Fetch the authorization code from {from}", %w[ns-settled],
              "the registrar's reply", [1, 5, MINUTE], "the code is wiped", :code],
          row["check-code", "registration", "Make ready", "clock", "Check the code against the registry", %w[get-code],
              "the registry's reply to an info command with the code", [1, 5, MINUTE], nil, :code],
          row["order", "registration", "Ordered", "clock", "Order the transfer at {to}", %w[lock-gone check-code ns-settled],
              "the gaining registrar's reply", [5, 30, 5 * MINUTE], "call the transfer off while it is pending"],
          row["registry-pending", "registration", "Ordered", "theirs", "Wait until the registry shows the transfer as pending", %w[order],
              "the registry's reply to a transfer query, the public record", [5 * MINUTE, 15 * MINUTE, HOUR]],
          row["release", "registration", "Release", "yours", "Approve the release of {name} at {from}", %w[registry-pending],
              "the registry's reply to a transfer query", [MINUTE, HOUR, 5 * DAY]],
          row["landed", "registration", "Landed", "theirs", "Wait until {name} is held at {to}", %w[release],
              "the registry and the public record", [5 * MINUTE, 15 * MINUTE, 2 * HOUR]],
          row["lock-back", "registration", "Landed", "clock", "Put the transfer lock on at {to}", %w[landed],
              "the registrar's reply", [5, 30, 5 * MINUTE], nil, :lock],
          row["check-landed", "registration", "Landed", "clock", "Check registrar, expiry, lock, name servers and records against the plan",
              %w[lock-back landed], "the public record, the registry, every name server", [MINUTE, 15 * MINUTE, HOUR]]
        ].freeze
        BY_ID = ALL.to_h { |s| [s.id, s] }.freeze

        # What is done when a move ends without landing.
        MAKE_SAFE = row["make-safe", "registration", "Make ready", "clock", "Make {name} safe again at {from}: nothing pending, lock on", [],
                        "the registrar's reply", [5, 30, 5 * MINUTE]]

        module_function

        # The steps that a plan with these options (:carry, :lock, :code) goes through; needs on left-out steps
        # pass on to what those needed.
        def for_options(options)
          kept = ALL.select { |s| s.holds_in.nil? || options.include?(s.holds_in) }
          ids = kept.map(&:id)
          kept.map { |s| s.dup.tap { |d| d.needs = inherit(s.needs, ids) }.freeze }
        end

        def inherit(needs, kept)
          needs.flat_map { |id| kept.include?(id) ? [id] : inherit(BY_ID.fetch(id).needs, kept) }.uniq
        end
        private_class_method :inherit
      end
    end
  end
end
