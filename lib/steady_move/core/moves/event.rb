# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      # One line of a move's journal. type: see TYPES; step: id or nil; says: a sentence for people
      # as it was written; phrase: its key and values, or nil in lines of old; evidence: {source,
      # seen_at, ref}; data: facts for folding; by: who (a person's e-mail, or "desk").
      Event =
        Struct.new(
          :seq,
          :move_id,
          :name,
          :at,
          :type,
          :step,
          :says,
          :phrase,
          :evidence,
          :data,
          :by,
          keyword_init: true
        ) do
          def done? = type == "done"

          # A message that counts: it is proven, or a person counts it. Lines of old call that
          # “sender”, and older ones say only whether it is doubtful.
          def counts?
            return false unless type == "mail"

            trust = data["trust"] || data["sender"]
            trust ? trust == Post::Trust::PROVEN : data["doubtful"] != true
          end
        end

      Event::TYPES = {
        "planned" => "the move was started, with its plan",
        "intended" => "an outward act is about to be made (data: key)",
        "done" => "a step is proven done",
        "waiting" => "looked, not there yet",
        "problem" => "refused or not reached (data: yours)",
        "reopened" => "a proof no longer holds; the step is to be done again",
        "mail" => "a message was matched to the move (data: kind, deadline)",
        "approved" => "a person approved the release",
        "wished" => "a person wants the release approved as soon as it is asked for",
        "said" => "a person says that it is done; from then on the desk looks for the proof",
        "letter" => "a letter that asks for it went out (data: letter)",
        "consent" =>
          "the owner consents to what becomes public (data: given_by, shown, from, until)",
        "comment" => "a person says something to the others",
        "accepted" =>
          "a person leaves a step, or what differs in it, as it is (data: reason, differences)",
        "mend" => "a person wants what differs from the order to be put right",
        "called-off" => "a person called the move off",
        "refused" => "the losing side or the registry ended the transfer",
        "lapsed" => "what was made ready was not used by the date that was set",
        "resumed" =>
          "the name had been released before the end took effect; the move goes on as landed",
        "settled" => "all checks passed"
      }.freeze

      # After these something may be done at once; lines that only tell what was seen are not among
      # them.
      Event::STIRRING = %w[
        planned
        approved
        wished
        said
        letter
        consent
        accepted
        mend
        called-off
        refused
        lapsed
        resumed
      ].freeze
    end
  end
end
