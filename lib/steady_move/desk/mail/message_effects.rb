# frozen_string_literal: true

module SteadyMove
  module Desk
    module Mail
      # What follows from a message once it counts: letters answered, mailboxes proven or bounced,
      # codes kept. Only a proven sender's counts by itself; another's waits for a person's word.
      class MessageEffects
        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # kept: Core::Post::Kept. Its facts: undelivered, automatic, word (the word of a proof came
        # back), own (id of our letter that arrived).
        def list(kept)
          facts = kept.facts
          facts["undelivered"].to_a.each { |address| bounced(address) }
          proven(@ports.letters.find(facts["own"])) if facts["own"]
          answered(kept, facts)
          keep_codes(kept)
        end

        # Puts one code of a message into the safe. by: the person who picked it, or nil: then one
        # that is held and differs stays, unless the registry rejected it or it is past its life,
        # and this one is kept beside it until somebody chooses.
        def keep_code(name, code, kept, by: nil)
          return if by.nil? && stands?(name, code)
          return differs(name, code, kept) if by.nil? && usable?(name)

          @ports.codes.keep(name, code, at: kept.at || @ports.now)
          from = by ? "#{kept.sender} (#{by})" : kept.sender
          note("code-kept", name, kept, Words.phrase("journal.code_by_mail", from: from))
        end

        private

        # Is it the one that is held, and not past its life, which would begin anew?
        def stands?(name, code)
          _, state = @ports.codes.held(name)[name]
          @ports.codes.newest(name) == code && (state == "rejected" || usable?(name))
        end

        def usable?(name)
          lives = @ports.rulebook.code_life(Core::Names::DomainName.held(name))
          @ports.codes.usable?(name, at: @ports.now, lives: lives)
        end

        def differs(name, code, kept)
          @ports.codes.propose(name, code, at: kept.at || @ports.now, sent_by: kept.sender)
          says = Words.phrase("journal.code_differs", from: kept.sender)
          note("code-differs", name, kept, says)
        end

        def note(type, name, kept, says)
          line = { at: @ports.now, by: "desk", name: name, evidence: evidence(kept), says: says }
          @ports.journal.add(type, **line)
          move = @ports.moves.open_for(name) and @ports.schedule.wake(move.id, @ports.now)
        end

        def evidence(kept)
          {
            "source" => Words.say(:"sources.mailbox"),
            "seen_at" => @ports.now,
            "ref" => kept.message_id
          }
        end

        def answered(kept, facts)
          letter = kept.letter_id && @ports.letters.find(kept.letter_id)
          return if letter.nil? || facts["undelivered"].to_a.any?

          @ports.letters.answered(letter[:id], at: @ports.now) unless facts["automatic"]
          proven(letter) if facts["word"] && !facts["automatic"]
          tell(letter, kept, facts["answer"]) unless facts["automatic"]
          stir(letter)
        end

        # What support says to a letter is said to the steps that wait for it.
        def tell(letter, kept, answer)
          return unless answer && letter[:account_id]

          letter[:steps].each do |id, step|
            move = @ports.moves.find(id) or next
            next unless move.state[step]&.active?

            @ports.journal.add(
              "letter-answered",
              at: @ports.now,
              by: "desk",
              move_id: id,
              name: move.name,
              step: step,
              data: {
                "letter" => letter[:id],
                "answer" => answer
              },
              evidence: evidence(kept),
              says: Words.phrase("journal.letter_#{answer}", to: letter[:recipient])
            )
          end
        end

        # Codes of held names; where one stands alone, it is that of the one name the message speaks
        # of.
        def keep_codes(kept)
          found = @ports.messages.codes(kept.id) or return
          names = kept.names
          one = found.code && names.size == 1 && found.codes.size < 2
          codes = one ? { names.first => found.code } : found.codes.slice(*names)
          return if codes.empty?

          codes.each { |name, code| keep_code(name, code, kept) }
          @ports.messages.drop_codes(kept.id)
        end

        def proven(letter)
          return unless letter && letter[:kinds] == ["proof"]

          @ports.letters.mailbox(letter[:recipient], "proven", at: @ports.now)
          @ports.letters.answered(letter[:id], at: @ports.now)
          says = Words.phrase("journal.mailbox_proven", address: letter[:recipient])
          letter[:names].each do |n|
            @ports.journal.add("mailbox-proven", at: @ports.now, by: "desk", name: n, says: says)
          end
        end

        # Only an address that was written to can have bounced.
        def bounced(address)
          letter = @ports.letters.to_address(address) or return
          @ports.letters.mailbox(address, "bounced", at: @ports.now)
          stir(letter)
        end

        # The moves that wait for a letter look again.
        def stir(letter)
          letter[:steps].map(&:first).uniq.each { |move| @ports.schedule.wake(move, @ports.now) }
        end
      end
    end
  end
end
