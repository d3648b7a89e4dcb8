# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # What a message seems to be. kind: one of Lexicon::IDS; names: held names it speaks of; code:
      # text or nil; codes: {A-label text => code} where names stand beside them; candidates: all
      # that may be (a part of) a code; speaks: it speaks of codes; link: the address to approve
      # with, or nil; links: [Links::Link]; deadline: Time or nil; sender: one of Sender::STATES;
      # why: Phrases on the sender; passed: an identity check that is said to be passed; ended: a
      # transfer that is said to have ended without a landing; because:
      # Phrases.
      Reading =
        Struct.new(
          :kind,
          :names,
          :code,
          :codes,
          :candidates,
          :speaks,
          :link,
          :links,
          :deadline,
          :sender,
          :why,
          :because,
          :passed,
          :ended,
          keyword_init: true
        ) do
          def doubtful = sender == "doubtful"
          def proven = sender == "proven"
        end
    end
  end
end
