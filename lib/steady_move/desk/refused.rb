# frozen_string_literal: true

module SteadyMove
  module Desk
    # What the desk won't do, in a sentence. kind: invalid (what was given makes no sense), not_now
    # (it can't be done in the state that things are in), unknown (there is no such thing),
    # busy (it does too much for that person already) or unusable (the desk itself can't go on).
    class Refused < StandardError
      KINDS = %i[invalid not_now unknown busy unusable].freeze

      attr_reader :kind, :phrase, :key

      # key: of the phrase, where it is one, for the log.
      # phrase: a key of the catalogue's “refused”, a Core::Phrase, or a list of sentences that are
      # joined.
      def initialize(kind, phrase, **values)
        raise ArgumentError, "there is no kind #{kind}" unless KINDS.include?(kind)

        @kind = kind
        @phrase = phrase.is_a?(Symbol) ? Words.phrase("refused.#{phrase}", **values) : phrase
        @key = @phrase.is_a?(Core::Phrase) ? @phrase.key.to_s.delete_prefix("refused.") : nil
        super([@phrase].flatten.map { |p| Words.text(p) }.join(" "))
      end
    end
  end
end
