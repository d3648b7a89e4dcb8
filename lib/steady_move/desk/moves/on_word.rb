# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      # Steps that nobody outside can see: a person's word is kept with its time, and shown as such.
      module OnWord
        def on_word
          word = move.events.reverse_each.find { |e| e.step == step.id && e.type == "said" }
          Act::Seen.new(
            done: !word.nil?,
            says: word && sentence(:on_word, by: word.by, at: word.at, **wanted_words),
            not_yet: sentence(:not_yet, **wanted_words),
            source: :word
          )
        end

        private

        def wanted_words = {}
      end
    end
  end
end
