# frozen_string_literal: true

module SteadyMove
  module Desk
    module Steps
      # What nobody can see from outside (auto-renew, contacts that privacy hides): a person looks and says so; it is
      # kept as their word, with its time.
      class Settings < Act
        def on_word
          word = move.events.reverse_each.find { |e| e.step == step.id && e.type == "said" }
          Seen.new(done: !word.nil?, says: word && sentence(:on_word, by: word.by, at: word.at, what: wanted),
            not_yet: sentence(:not_yet, what: wanted), source: :word)
        end

        private

        def wanted
          plan.wanted.hidden.map do |what, value|
            known = Core::Moves::Aims::CHOICES.key?(what.to_s)
            Words.phrase("aims.#{what}", value: known ? Words.phrase("aims.#{value}") : value)
          end
        end
      end
    end
  end
end
