# frozen_string_literal: true

module SteadyMove
  module Desk
    # What follows from mail: letters answered, mailboxes proven or bounced, codes kept; and what a person puts right in the post.
    class Replies
      # What can't be put right so; says why.
      class Invalid < StandardError; end

      def initialize(app)
        @app = app
      end

      # message: Wire::Mail::Message; letter: the one that it answers, or nil; doubtful: then it answers nothing.
      def hear(message, letter, doubtful: false)
        message.undelivered.to_a.each { |address| bounced(address) }
        arrived(message)
        return if letter.nil? || doubtful || message.undelivered.to_a.any?

        @app.letters.answered(letter[:id], at: @app.now) unless message.automatic
        word = @app.letters.word(letter[:id])
        proven(letter) if word && !message.automatic && "#{message.subject}\n#{message.text}".include?(word)
        stir(letter)
      end

      def keep_code(name, code, from, ref, at)
        @app.keepings.keep_code(name, code, at: at || @app.now)
        @app.journal.add("code-kept", at: @app.now, by: "desk", name: name, says: "An authorization code came by mail from #{from}; it is in the code safe.",
                                      evidence: { "source" => "mailbox", "seen_at" => @app.now, "ref" => ref })
        move = @app.moves.open_for(name) and @app.moves.due_now(move.id, at: @app.now)
      end

      # A message that was matched wrong. kind: as it is to be taken, also for later ones of this sender that read alike; names: A-label texts
      # that are held; trust: the sender is known to whoever says so, a doubt is lifted. Raises Invalid.
      def correct(uid, kind:, names:, by:, trust: false)
        message = @app.messages.find(uid) or raise Invalid, "there is no message number #{uid}"
        unknown = names.reject { |n| @app.names.find(n) }
        raise Invalid, "#{unknown.first} is not on the list of names" if unknown.any?

        move = names.filter_map { |n| @app.moves.of_name(n).first }.first
        @app.db.transaction(mode: :immediate) do
          @app.letters.correct(message[:sender], message[:read_kind], kind, by: by, at: @app.now) if message[:read_kind] && kind != message[:kind]
          @app.messages.correct(uid, kind: kind, names: names, move_id: move&.id, doubtful: message[:doubtful] && !trust, because: message[:because] + ["#{by} put it right."], by: by)
          trusted(message, names) if trust && message[:doubtful]
          note(message, kind, names, move, by)
        end
      end

      private

      # Our own letter came into the mailbox that the desk reads: that address is read.
      def arrived(message)
        letter = message.message_id && @app.letters.answered_by([message.message_id], "")
        proven(letter) if letter && letter[:kinds] == ["proof"]
      end

      def proven(letter)
        @app.letters.mailbox(letter[:recipient], "proven", at: @app.now)
        @app.letters.answered(letter[:id], at: @app.now)
        letter[:names].each { |n| @app.journal.add("mailbox-proven", at: @app.now, by: "desk", name: n, says: "The word that was sent to #{letter[:recipient]} came back: somebody reads it.") }
      end

      # Only an address that was written to can have bounced.
      def bounced(address)
        letter = @app.letters.all.find { |l| l[:recipient].casecmp?(address) } or return
        @app.letters.mailbox(address, "bounced", at: @app.now)
        stir(letter)
      end

      # The moves that wait for a letter look again.
      def stir(letter) = letter[:steps].map(&:first).uniq.each { |move| @app.moves.due_now(move, at: @app.now) }

      def trusted(message, names)
        code = @app.messages.take_code(message[:uid])
        keep_code(names.first, code, message[:sender], message[:message_id], message[:at]) if code && names.size == 1
      end

      def note(message, kind, names, move, by)
        about = names.empty? ? "no name here" : names.join(", ")
        @app.journal.add("mail", at: @app.now, by: by, move_id: move&.id, name: names.first, says: "#{by} put a message of #{message[:sender]} right: #{kind}, about #{about}.",
                                 data: { "kind" => kind, "deadline" => message[:deadline] }.compact)
        @app.moves.due_now(move.id, at: @app.now) if move
      end
    end
  end
end
