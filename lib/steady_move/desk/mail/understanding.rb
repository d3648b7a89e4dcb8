# frozen_string_literal: true

module SteadyMove
  module Desk
    module Mail
      # A message as it is to be kept: read, with what is known beyond its words: the letter that it
      # answers, the move that it is about, and how a person put such messages right before.
      class Understanding
        # around: MailContext.
        def initialize(ports, around)
          @ports = Ports.of(ports)
          @around = around
        end

        # message: Core::Post::Message. Returns Core::Post::Kept, without an id.
        def understand(message)
          letter = letter_answered(message)
          own = own_letter(message)
          by_words = read(message, letter, own)
          reading = corrected(answering(by_words, message, letter), message, by_words.kind)
          Core::Post::Kept.new(
            message: message,
            reading: reading,
            read_kind: by_words.kind,
            move_id: reading.names.filter_map { |n| @ports.moves.of_name(n).first }.first&.id,
            letter_id: letter&.fetch(:id),
            facts: facts(message, reading, letter, own)
          )
        end

        private

        def text(message) = "#{message.subject}\n#{message.whole_text}"

        def letter_answered(message)
          @ports.letters.answered_by(message.answers || [], text(message))
        end

        # The letter of ours that this is a copy of, or nil.
        def own_letter(message)
          message.message_id && @ports.letters.answered_by([message.message_id], "")
        end

        def read(message, letter, own)
          further = correspondents(message, letter, own)
          server = @around.server(message.place)
          reading =
            Core::Post::Reader.read(
              message,
              held: @around.held,
              known: ->(names) { @around.senders(names) | further },
              ids: server[:ids],
              trusting: server[:trusting]
            )
          reading.with(because: reading.because.map { |b| Words.text(b) })
        end

        # Whom our own letters lead to write back: their recipients, the mail servers that report on
        # them, ourselves.
        def correspondents(message, letter, own)
          [
            letter&.fetch(:recipient),
            *(@around.own_logins if own || message.undelivered.to_a.any?),
            *(message.undelivered if letter)
          ].compact.filter_map { |a| Core::Names::HostName.ascii(a.rpartition("@").last) }
        end

        # Does the word of a proof come back?
        def word_back?(message, letter)
          word = letter && @ports.letters.word(letter[:id])
          !word.nil? && text(message).include?(word)
        end

        # It answers a letter of ours: about that letter's names.
        def answering(reading, message, letter)
          return reading unless letter

          back = word_back?(message, letter)
          because = [Words.say(:"post.answers_letter", subject: letter[:subject])]
          because << Words.say(:"post.holds_word") if back
          reading.with(
            names: reading.names.empty? || back ? held(letter[:names]) : reading.names,
            kind: back ? "contact-proof" : reading.kind,
            because: reading.because + because
          )
        end

        # How a person put what it answers right, and such messages of this sender.
        def corrected(reading, message, by_words)
          before = @ports.messages.corrected(message.answers) if reading.names.empty?
          reading = reading.with(names: before.names) if before
          return reading if reading.doubtful?

          kind, by = @ports.letters.correction(message.sender, by_words)
          return reading unless kind

          because = Words.say(:"post.corrected_before", from: message.sender, by: by)
          reading.with(kind: kind, because: reading.because + [because])
        end

        def held(names) = names.select { |n| @ports.names.find(n) }

        # What follows from the message once it counts (MessageEffects).
        def facts(message, reading, letter, own)
          {
            undelivered: message.undelivered.to_a,
            automatic: message.automatic == true,
            passed: reading.passed == true,
            ended: reading.ended == true,
            sum: sum(message, reading),
            answer: (Core::Post::Answers.of(message.whole_text) if letter),
            word: word_back?(message, letter),
            own: own&.fetch(:id)
          }.reject { |_, v| v.nil? || v == false || v == [] }
        end

        # What a receipt says of money.
        def sum(message, reading)
          return unless reading.kind == "receipt"

          found = Core::Post::Sums.find(text(message))
          { **found.amount.to_h, number: found.number, refund: found.refund || nil }.compact
        end
      end
    end
  end
end
