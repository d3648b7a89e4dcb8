# frozen_string_literal: true

module SteadyMove
  module Desk
    # What follows from mail: letters answered, mailboxes proven or bounced, codes kept; and what a person puts right
    # in the post.
    class Replies
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
        @app.codes.keep(name, code, at: at || @app.now)
        evidence = { "source" => Words.say("sources.mailbox"), "seen_at" => @app.now, "ref" => ref }
        @app.journal.add("code-kept", at: @app.now, by: "desk", name: name, evidence: evidence,
          says: Words.phrase("journal.code_by_mail", from: from))
        move = @app.moves.open_for(name) and @app.schedule.wake(move.id, @app.now)
      end

      # A message that was matched wrong. kind: as it is to be taken, also for later ones of this sender that read
      # alike; names: A-label texts that are held; trust: the sender is known to whoever says so, a doubt is lifted.
      # Raises Refused.
      def correct(uid, kind:, names:, by:, trust: false)
        kinds = Core::Post::Lexicon::IDS
        raise Refused.new(:invalid, :no_kind_of_message, kind: kind, kinds: kinds) unless kinds.include?(kind)

        message = @app.messages.find(uid) or raise Refused.new(:invalid, :no_message, id: uid)
        unknown = names.reject { |n| @app.names.find(n) }
        raise Refused.new(:invalid, :not_held, name: unknown.first) if unknown.any?

        move = names.filter_map { |n| @app.moves.of_name(n).first }.first
        @app.db.transaction do
          remember(message, kind, by)
          because = message[:because] + [Words.say("post.put_right", by: by)]
          @app.messages.correct(uid, kind: kind, names: names, move_id: move&.id,
            doubtful: message[:doubtful] && !trust, because: because, by: by)
          trusted(message, names) if trust && message[:doubtful]
          note(message, kind, names, move, by)
        end
      end

      private

      # Later messages of this sender that read alike are taken so as well.
      def remember(message, kind, by)
        return if message[:read_kind].nil? || kind == message[:kind]

        @app.letters.correct(message[:sender], message[:read_kind], kind, by: by, at: @app.now)
      end

      # Our own letter came into the mailbox that the desk reads: that address is read.
      def arrived(message)
        letter = message.message_id && @app.letters.answered_by([message.message_id], "")
        proven(letter) if letter && letter[:kinds] == ["proof"]
      end

      def proven(letter)
        @app.letters.mailbox(letter[:recipient], "proven", at: @app.now)
        @app.letters.answered(letter[:id], at: @app.now)
        says = Words.phrase("journal.mailbox_proven", address: letter[:recipient])
        letter[:names].each { |n| @app.journal.add("mailbox-proven", at: @app.now, by: "desk", name: n, says: says) }
      end

      # Only an address that was written to can have bounced.
      def bounced(address)
        letter = @app.letters.to_address(address) or return
        @app.letters.mailbox(address, "bounced", at: @app.now)
        stir(letter)
      end

      # The moves that wait for a letter look again.
      def stir(letter) = letter[:steps].map(&:first).uniq.each { |move| @app.schedule.wake(move, @app.now) }

      def trusted(message, names)
        code = @app.messages.take_code(message[:uid])
        keep_code(names.first, code, message[:sender], message[:message_id], message[:at]) if code && names.size == 1
      end

      def note(message, kind, names, move, by)
        about = names.empty? ? Words.phrase("journal.no_name") : names.join(", ")
        says = Words.phrase("journal.mail_corrected", by: by, from: message[:sender],
          kind: Words.phrase("post.kinds.#{kind}"), about: about)
        data = { "kind" => kind, "deadline" => message[:deadline] }.compact
        @app.journal.add("mail", at: @app.now, by: by, move_id: move&.id, name: names.first, data: data, says: says)
      end
    end
  end
end
