# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      # All steps in their usual order. Durations: rules.md §5, common practice; the wait for caches is computed per plan.
      module Steps
        MINUTE = 60
        HOUR = 3600
        DAY = 86_400
        MOMENTS = [5, 30, 5 * MINUTE].freeze
        SHOWS = [MINUTE, 15 * MINUTE, HOUR].freeze
        # What a registrar does on a letter: a lock or a code that was asked for is due within five days.
        LETTER = [HOUR, DAY, 5 * DAY].freeze

        step = ->(id, rail, stage, actor, title, needs, proof, takes, **more) { Step.new(id: id, rail: rail, stage: stage, actor: actor, title: title, needs: needs, proof: proof, takes: takes, **more).freeze }
        ready = ->(id, actor, title, needs, proof, takes, **more) { step[id, "registration", "Make ready", actor, title, needs, proof, takes, **more] }
        records = ->(id, actor, title, needs, proof, takes, **more) { step[id, "records", "Make ready", actor, title, needs, proof, takes, holds_in: :carry, **more] }

        ALL = [
          step["fetch-zone", "records", "Survey", "clock", "Fetch the zone of {name} from {old_host}", [], "a complete zone transfer", MOMENTS, holds_in: :carry],
          records["put-zone", "clock", "Put the records on {new_host}", %w[fetch-zone], "the new host's own answer to the update", MOMENTS, undo: "delete the zone at {new_host}"],
          records["compare-hosts", "clock", "Ask {old_host} and {new_host} for every record set and compare", %w[put-zone], "both hosts' answers, set by set", MOMENTS],
          records["switch-ns", "clock", "Switch the name servers to {new_host}", %w[compare-hosts], "the registrar's reply, or the public record", MOMENTS, undo: "set the old name servers again",
                  act: "name_servers", place: "losing", letter: "name-servers", hand: "Open {name} and set its name servers to the ones below; leave everything else."],
          records["ns-shown", "theirs", "Wait until the registry shows the new name servers", %w[switch-ns], "the public record and the registry's own name servers", SHOWS],
          records["ns-settled", "clock", "Wait until no cache holds the old host's answers", %w[ns-shown], "the TTLs that were seen, and a last comparison", [0, 0, 0]],
          ready["consent", "yours", "Record the owner's consent to show the contacts of {name} in public", [], "the owner's word, kept in the journal", [MINUTE, HOUR, 2 * DAY], holds_in: :privacy],
          ready["identity", "yours", "Pass the identity check of {service}", %w[consent ns-settled], "its mail that says so, or the public record", [MINUTE, HOUR, 2 * DAY], holds_in: :identity, act: "privacy", place: "service",
                hand: "Sign in there, ask for the identity check, and type the number that comes by mail."],
          ready["privacy-off", "clock", "Turn the privacy service off for {name} at {keeper}", %w[consent identity ns-settled], "the public record", MOMENTS, holds_in: :privacy, undo: "turn the privacy service on again",
                act: "privacy", place: "service", letter: "privacy-off", hand: "Open {name} and turn the privacy service off."],
          ready["contacts-shown", "theirs", "Wait until the public record shows the holder's own contacts", %w[privacy-off], "the public record", SHOWS, holds_in: :privacy],
          ready["prove-contact", "theirs", "See that the mailbox which is written to is read", %w[contacts-shown], "a word that was sent there and came back", [MINUTE, 4 * HOUR, 2 * DAY], holds_in: :contact, early: true,
                hand: "Send the letter with the word to {contact}, and have it answered.", place: "contact", act: "proof"],
          ready["unlock", "clock", "Take the transfer lock off at {from}", %w[ns-settled], "the registrar's reply, or the public record", MOMENTS, undo: "put the lock on again", holds_in: :lock, act: "unlock",
                place: "losing", letter: "unlock", hand: "Open {name} and take the transfer lock off."],
          ready["lock-gone", "theirs", "Wait until the public record no longer shows the lock", %w[unlock], "the public record", SHOWS, holds_in: :lock],
          ready["ask-code", "clock", "Ask for the authorization code at {from}", %w[contacts-shown prove-contact ns-settled], "the code itself", MOMENTS, holds_in: :ask, act: "code", place: "losing", letter: "code",
                hand: "Open {name} and ask for its authorization code."],
          ready["get-code", "clock", "Take the authorization code from {from} into the code safe", %w[ask-code ns-settled], "the registrar's reply, its mail, or the code that you keep in the safe", [1, 5, MINUTE],
                undo: "the code is wiped", holds_in: :code],
          ready["check-code", "clock", "Check the code against the registry", %w[get-code], "the registry's reply to an info command with the code", [1, 5, MINUTE], holds_in: :code],
          step["order", "registration", "Ordered", "clock", "Order the transfer at {to}", %w[lock-gone check-code contacts-shown prove-contact ns-settled], "the gaining registrar's reply", MOMENTS,
               undo: "call the transfer off while it is pending"],
          step["registry-pending", "registration", "Ordered", "theirs", "Wait until the registry shows the transfer as pending", %w[order], "the registry's reply to a transfer query, the public record", [5 * MINUTE, 15 * MINUTE, HOUR]],
          step["release", "registration", "Release", "yours", "Approve the release of {name} at {from}", %w[registry-pending], "the registry's reply to a transfer query", [MINUTE, HOUR, 5 * DAY], act: "release", place: "losing",
               letter: "release", hand: "Approve the transfer of {name}."],
          step["landed", "registration", "Landed", "theirs", "Wait until {name} is held at {to}", %w[release], "the registry and the public record", [5 * MINUTE, 15 * MINUTE, 2 * HOUR]],
          step["lock-back", "registration", "Landed", "clock", "Put the transfer lock on at {to}", %w[landed], "the registrar's reply", MOMENTS, holds_in: :lock],
          step["privacy-back", "registration", "Landed", "yours", "Turn the privacy service of {to} on for {name}", %w[landed], "the public record", [MINUTE, HOUR, DAY], holds_in: :privacy, act: "privacy_back", place: "gaining",
               letter: "privacy-on", hand: "Open {name} and turn the privacy service on."],
          step["check-landed", "registration", "Landed", "clock", "Check registrar, expiry, lock, name servers and records against the plan", %w[lock-back privacy-back landed],
               "the public record, the registry, every name server", SHOWS]
        ].freeze
        BY_ID = ALL.to_h { |s| [s.id, s] }.freeze

        # What is done when a move ends without landing.
        MAKE_SAFE = ready["make-safe", "clock", "Make {name} safe again at {from}: nothing pending, lock on", [], "the registrar's reply, or the public record", MOMENTS, act: "unlock", place: "losing", letter: "lock",
                          hand: "Open {name} and put the transfer lock on again."]
        PRIVACY_AGAIN = ready["privacy-again", "yours", "Turn the privacy service on again for {name} at {keeper}", [], "the public record", [MINUTE, HOUR, DAY], act: "privacy", place: "service", letter: "privacy-on",
                              hand: "Open {name} and turn the privacy service on again."]

        module_function

        # The steps that a plan with these options (:carry, :lock, :code, :ask, :privacy, :identity, :contact) goes through; needs on
        # left-out steps pass on to what those needed, except for a step that is to be done early.
        def for_options(options)
          kept = ALL.select { |s| s.holds_in.nil? || options.include?(s.holds_in) }
          ids = kept.map(&:id)
          kept.map { |s| s.dup.tap { |d| d.needs = s.early ? s.needs & ids : inherit(s.needs, ids) }.freeze }
        end

        def inherit(needs, kept)
          needs.flat_map { |id| kept.include?(id) ? [id] : inherit(BY_ID.fetch(id).needs, kept) }.uniq
        end
        private_class_method :inherit
      end
    end
  end
end
