# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # What support says to a letter: it wants something first, it won't do it, it has done it. The
      # wording stands in languages/ (common practice, no source).
      module Answers
        # In this order: who asks for papers “before we can” refuses nothing.
        KINDS = %w[wants refused done].freeze
        # Sentences that stand under every letter.
        COURTESY =
          /\b(?:questions?|further\ (?:help|assistance)|anything\ else|fragen|rückfragen|preguntas?|
            domande|vragen|dúvidas|perguntas|pytani|hesitate|zögern|hésitez|dude|esiti|aarzel)|
           ご不明|ご質問/ix

        module_function

        # text: a message's, with what it quotes. Returns one of KINDS, or nil where it says none of
        # them.
        #   Post::Answers.of("Please send us a copy of your passport.") # => "wants"
        #   Post::Answers.of("Your domain has been unlocked.") # => "done"
        def of(text)
          said, = Passages.parts(text)
          sentences = Passages.sentences(said).grep_v(COURTESY)
          spoken = Languages.in(said)
          KINDS.find { |kind| sentences.any? { |s| said?(s, kind, spoken) } }
        end

        def said?(sentence, kind, spoken)
          spoken.any? do |language|
            match = language.answers[kind].match(sentence)
            match && (kind != "done" || Passages.happened?(sentence, match))
          end
        end
        private_class_method :said?
      end
    end
  end
end
