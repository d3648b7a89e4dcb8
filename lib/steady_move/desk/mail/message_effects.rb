# frozen_string_literal: true

module SteadyMove
  module Desk
    # What follows from a message once it counts: letters answered, mailboxes proven or bounced,
    # codes kept. Only a proven sender's counts by itself; another's waits for a person's word.
    class MessageEffects
      def initialize(app)
        @app = app
      end

      # row: of Store::Messages. Its facts: undelivered, automatic, word (the word of a proof came
      # back), own (id of our letter that arrived).
      def of(row)
        facts = row[:facts]
        facts["undelivered"].to_a.each { |address| bounced(address) }
        proven(@app.letters.find(facts["own"])) if facts["own"]
        answered(row, facts)
        keep_codes(row)
      end

      # Puts one code of a message into the safe. Returns false where the name has the same one
      # already.
      def keep_code(name, code, row)
        @app.codes.keep(name, code, at: row[:at] || @app.now)
        evidence = {
          "source" => Words.say("sources.mailbox"),
          "seen_at" => @app.now,
          "ref" => row[:message_id]
        }
        @app.journal.add(
          "code-kept",
          at: @app.now,
          by: "desk",
          name: name,
          evidence: evidence,
          says: Words.phrase("journal.code_by_mail", from: row[:sender])
        )
        move = @app.moves.open_for(name) and @app.schedule.wake(move.id, @app.now)
      end

      private

      def answered(row, facts)
        letter = row[:letter_id] && @app.letters.find(row[:letter_id])
        return if letter.nil? || facts["undelivered"].to_a.any?

        @app.letters.answered(letter[:id], at: @app.now) unless facts["automatic"]
        proven(letter) if facts["word"] && !facts["automatic"]
        stir(letter)
      end

      # Codes of held names; where one stands alone, it is that of the one name the message speaks
      # of.
      def keep_codes(row)
        found = @app.messages.codes(row[:uid]) or return
        one = found["code"] && row[:names].size == 1 && found["codes"].size < 2
        codes = one ? { row[:names].first => found["code"] } : found["codes"].slice(*row[:names])
        return if codes.empty?

        codes.each { |name, code| keep_code(name, code, row) }
        @app.messages.drop_codes(row[:uid])
      end

      def proven(letter)
        return unless letter && letter[:kinds] == ["proof"]

        @app.letters.mailbox(letter[:recipient], "proven", at: @app.now)
        @app.letters.answered(letter[:id], at: @app.now)
        says = Words.phrase("journal.mailbox_proven", address: letter[:recipient])
        letter[:names].each do |n|
          @app.journal.add("mailbox-proven", at: @app.now, by: "desk", name: n, says: says)
        end
      end

      # Only an address that was written to can have bounced.
      def bounced(address)
        letter = @app.letters.to_address(address) or return
        @app.letters.mailbox(address, "bounced", at: @app.now)
        stir(letter)
      end

      # The moves that wait for a letter look again.
      def stir(letter)
        letter[:steps].map(&:first).uniq.each { |move| @app.schedule.wake(move, @app.now) }
      end
    end
  end
end
