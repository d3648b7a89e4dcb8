# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # The kinds of messages. A new kind is a new row; its wording stands in languages/, as
      # [weight, pattern, what it says] (common practice, no source). names_needed: it is only that
      # kind where it speaks of a name that is held; asks: it wants something of whoever reads it;
      # happened: only what has happened counts, not what will or could not.
      module Lexicon
        Kind = Struct.new(:id, :names_needed, :asks, :happened, keyword_init: true)
        # A sentence that speaks of what may come, not of what has.
        UNDECIDED = /\b(?:if|unless|until|wenn|falls|si|se|als|indien|jeśli|may|might|will\ be)\b/ix

        # Every kind, in the order in which they go first where several weigh the same.
        ALL = [
          Kind.new(id: "landed", names_needed: true, happened: true),
          Kind.new(id: "approval-request", asks: true, names_needed: true),
          Kind.new(id: "identity-check", asks: true),
          Kind.new(id: "contact-proof", asks: true),
          Kind.new(id: "code", names_needed: true),
          Kind.new(id: "leaving-notice", asks: true, names_needed: true),
          Kind.new(id: "lock-notice", names_needed: true),
          Kind.new(id: "hold", names_needed: true, happened: true),
          Kind.new(id: "unpaid", asks: true),
          Kind.new(id: "receipt"),
          Kind.new(id: "offer")
        ].freeze

        UNRELATED = "unrelated"
        # From an account and about a held name, and not understood.
        UNREAD = "read-it-yourself"
        # Whoever writes that a transfer did not take place, or was cancelled, writes neither that
        # it has landed nor that it is about to leave.
        OVER = %w[landed leaving-notice].freeze
        # Every kind there is.
        IDS = (ALL.map(&:id) + [UNREAD, UNRELATED]).freeze
        # Kinds that want something of whoever reads them.
        ASKING = [*ALL.select(&:asks).map(&:id), UNREAD].freeze
        # What a service writes when an identity check went well, and what is written when a
        # transfer ended without a landing, whatever else the message is about.
        PASSED = Regexp.union(Languages::ALL.map(&:passed))
        ENDED = Regexp.union(Languages::ALL.map(&:ended))

        module_function

        # Does it say that a transfer was refused, lapsed or was called off?
        def ended?(text)
          Passages.sentences(text).any? { |s| (m = ENDED.match(s)) && !s.match?(UNDECIDED) && m }
        end

        # Does a message still want an answer at an instant? over: what it is about has ended;
        # answers: it answers a letter of ours; deadline: Time or nil; trust: one of
        # Trust::STATES; passed: an identity check that is.
        def asks?(kind, at:, deadline:, trust:, over:, answers: false, passed: false)
          ASKING.include?(kind) && trust != Trust::DOUBTFUL && !over && !answers && !passed &&
            (deadline.nil? || deadline > at)
        end

        # Does it say that an identity check was passed?
        def passed?(text)
          Passages.sentences(text).any? { |s| (m = PASSED.match(s)) && Passages.happened?(s, m) }
        end
      end
    end
  end
end
