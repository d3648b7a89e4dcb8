# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # What a message seems to be. kind: one of Lexicon::IDS; names: held names it speaks of,
      # A-label texts; code: text or nil; codes: {A-label text => code} where names stand beside
      # them; candidates: all that may be (a part of) a code; speaks: it speaks of codes; link: the
      # address to approve with, or nil; links: [Links::Link]; deadline: Time or nil; trust: one of
      # Trust::STATES; why: Phrases on that; passed: an identity check that is said to be passed;
      # ended: a transfer that is said to have ended without a landing; because: Phrases.
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
          :trust,
          :why,
          :because,
          :passed,
          :ended,
          keyword_init: true
        ) do
          def doubtful? = trust == Trust::DOUBTFUL
          def proven? = trust == Trust::PROVEN

          # One of which nothing was understood. because: a sentence.
          def self.none(because)
            new(
              kind: Lexicon::UNREAD,
              names: [],
              trust: Trust::DOUBTFUL,
              because: [because],
              speaks: true
            )
          end

          # The same, with some of it otherwise.
          def with(**changed) = self.class.new(**to_h, **changed)
        end
    end
  end
end
