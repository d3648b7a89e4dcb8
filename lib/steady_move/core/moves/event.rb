# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      # One line of a move's journal. type: see TYPES; step: id or nil; says: a sentence for people;
      # evidence: {source, seen_at, ref} or nil; data: facts for folding; by: who (a person's e-mail, or "desk").
      Event = Struct.new(:seq, :at, :type, :step, :says, :evidence, :data, :by, keyword_init: true) do
        def done? = type == "done"
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
        "said" => "a person says that it is done; from then on the desk looks for the proof",
        "letter" => "a letter that asks for it went out (data: letter)",
        "consent" => "the owner consents to what becomes public (data: given_by, shown, from, until)",
        "called-off" => "a person called the move off",
        "refused" => "the losing side or the registry ended the transfer",
        "settled" => "all checks passed"
      }.freeze
    end
  end
end
