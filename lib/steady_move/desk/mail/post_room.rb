# frozen_string_literal: true

module SteadyMove
  module Desk
    module Mail
      # Fetches new mail, understands it and matches it to moves and letters. What is doubtful is
      # kept and shown, never acted on.
      class PostRoom
        EVERY = 300

        attr_reader :due_at

        # on_error: called with what nobody foresaw in a message.
        def initialize(ports, on_error: ->(e) { warn e.message })
          @ports = Ports.of(ports)
          @on_error = on_error
          @due_at = nil
          @readings = {}
        end

        # Is it time to look? Also where the clock was set back since the last look.
        def due?
          !@ports.mailbox.nil? &&
            (@due_at.nil? || @ports.now >= @due_at || @ports.now < @due_at - EVERY)
        end
        def fetch_if_due = due? && fetch

        # Looks at every mailbox. Returns how many messages were new. The outside's faults only put
        # the next look off; one mailbox that doesn't answer keeps nobody from the others.
        def fetch
          @due_at = @ports.now + EVERY
          count =
            @ports.mailboxes.each_with_index.sum { |box, number| box ? fetch_from(box, number) : 0 }
          look_soon if @readings.each_value.any?(&:more?)
          count
        end

        # How far the reading of full mailboxes has come: MailboxReading::Progress, or nil.
        def progress
          parts = @readings.each_value.filter_map(&:progress_so_far)
          MailboxReading::Progress.new(done: parts.sum(&:done), of: parts.sum(&:of)) if parts.any?
        end

        # The body of a message of which only the head was kept, or whose body was cleared, as it
        # lies in the mailbox. It is put beside its head; nothing follows from it. Raises Refused.
        def fetch_body(uid)
          row = @ports.messages.find(uid)
          raise Refused.new(:unknown, :no_head, id: uid) unless row && row[:bodiless]

          box = @ports.mailboxes[number = uid.div(Store::Messages::BOX)] if uid.positive?
          message = box && reading(number).one(box, uid)
          unless message && message.message_id == row[:message_id]
            raise Refused.new(:not_now, :body_gone)
          end

          reading, = understand(message, nil, own_letter(message), MailContext.new(@ports))
          @ports.messages.restore(@ports.messages.ready(message, reading, row[:move_id]))
        rescue Wire::Error => e
          raise Refused.new(:not_now, :body_not_fetched, says: e.says)
        end

        # The next look is due now.
        def look_soon = @due_at = nil

        # Takes in a message that somebody saved as a file. raw: RFC 5322 text. Returns false where
        # it is here already; raises Refused.
        def drop(raw)
          take(Wire::Mail::Eml.read(raw, uid: @ports.messages.next_dropped))
        rescue Wire::Malformed => e
          raise Refused.new(:invalid, :message_unreadable, says: e.says)
        end

        # Takes a message in, from the mailbox or dropped in as a file. Of one that concerns nobody
        # here only the head is kept, unless it is wanted whole, could not be read, or comes from
        # whom we know. Returns false where it is here already.
        def take(message, around: MailContext.new(@ports), whole: message.uid.negative?)
          letter =
            @ports.letters.answered_by(message.answers || [], "#{message.subject}\n#{message.text}")
          own = own_letter(message)
          reading, read_kind = understand(message, letter, own, around)
          moves = reading.names.filter_map { |n| @ports.moves.of_name(n.ascii).first }
          ready =
            @ports.messages.ready(
              message,
              reading,
              moves.first&.id,
              letter_id: letter&.fetch(:id),
              read_kind: read_kind,
              facts: facts(message, reading, letter, own),
              server: identifiers(message).first
            )
          @ports.db.transaction do
            next false if @ports.messages.known?(message)

            whole ||=
              concerns?(reading, letter, moves) || message.from.to_s.empty? ||
                around.known?(message.from)
            whole ? keep(ready, message, reading, moves) : @ports.messages.keep_head(ready)
            true
          end
        end

        private

        def keep(ready, message, reading, moves)
          @ports.messages.keep(ready)
          MessageEffects.new(@ports).of(@ports.messages.find(message.uid)) if reading.proven
          moves.each { |move| journal(message, reading, move) } if reading.kind != "unrelated"
          Moves::UnrequestedTransfers.new(@ports).written(@ports.messages.find(message.uid))
        end

        # How many were new.
        def fetch_from(box, number)
          around = MailContext.new(@ports)
          count = reading(number).read(box) { |message| take_in(message, around) }
          hear(number, true, Words.say(:"connections.answered"))
          count
        rescue Wire::Error => e
          hear(number, false, e.says)
          0
        end

        def reading(number)
          @readings[number] ||= MailboxReading.new(
            @ports,
            number,
            senders: -> { MailContext.new(@ports).senders([]) }
          )
        end

        def hear(number, well, says)
          @ports.heard.note("mailbox #{number}", at: @ports.now, well: well, says: says)
        end

        # What nobody foresaw in one message holds up neither the others nor the moves: it is kept
        # as one that nobody could read, its octets sealed beside it. Only where nothing at all can
        # be written down does it wait.
        def take_in(message, around)
          take(message, around: around)
        rescue StandardError => e
          raise if Store::Trouble.of(e)

          @on_error.call(e)
          keep_unread(message, Words.say(:"post.not_understood", error: e.class.name))
        end

        def keep_unread(message, because)
          unread =
            Core::Post::Reading.new(
              kind: Core::Post::Lexicon::UNREAD,
              names: [],
              sender: "doubtful",
              because: [because],
              speaks: true
            )
          @ports.messages.put(message, unread, nil)
        rescue Sequel::DatabaseError => e
          raise if Store::Trouble.of(e)

          bare = Wire::Mail::Message.unreadable(message.uid, because, message.raw)
          @ports.messages.put(bare, unread, nil)
        end

        # Is there anything in it for somebody here?
        def concerns?(reading, letter, moves)
          reading.kind != Core::Post::Lexicon::UNRELATED || !letter.nil? || moves.any? ||
            reading.names.any? || reading.candidates.to_a.any?
        end

        # The reading, with what is known beyond the words: the letter that it answers, and how a
        # person put such messages right before.
        # Returns [Reading, the kind by the words alone].
        def understand(message, letter, own, around)
          read = read(message, letter, own, around)
          by_words = read.kind
          reading = letter ? answering(read, message, letter) : read
          reading = as_corrected_before(reading, message)
          kind, by = @ports.letters.correction(message.from, by_words) unless reading.sender ==
            "doubtful"
          if kind
            reading.kind = kind
            reading.because += [Words.say(:"post.corrected_before", from: message.from, by: by)]
          end
          [reading, by_words]
        end

        def read(message, letter, own, around)
          known = ->(names) { around.senders(names) | correspondents(message, letter, own, around) }
          reading =
            Core::Post::Reader.read(
              message,
              held: around.held,
              known: known,
              ids: around.server[:ids],
              trusting: around.server[:trusting]
            )
          reading.because = reading.because.map { |b| Words.text(b) }
          reading
        end

        # Whom our own letters lead to write back: their recipients, the mail servers that report on
        # them, ourselves.
        def correspondents(message, letter, own, around)
          [
            letter&.fetch(:recipient),
            *(around.own_logins if own || message.undelivered.to_a.any?),
            *(message.undelivered if letter)
          ].compact.filter_map { |a| Core::Names::HostName.ascii(a.rpartition("@").last) }
        end

        # The letter of ours that this is a copy of, or nil.
        def own_letter(message)
          message.message_id && @ports.letters.answered_by([message.message_id], "")
        end

        # What follows from the message once it counts (MessageEffects).
        def facts(message, reading, letter, own)
          word = letter && @ports.letters.word(letter[:id])
          {
            undelivered: message.undelivered.to_a,
            automatic: message.automatic == true,
            passed: reading.passed == true,
            ended: reading.ended == true,
            sum: sum(message, reading),
            word: !word.nil? && "#{message.subject}\n#{message.text}".include?(word),
            own: own&.fetch(:id)
          }.reject { |_, v| v.nil? || v == false || v == [] }
        end

        # What a receipt says of money.
        def sum(message, reading)
          return unless reading.kind == "receipt"

          found = Core::Post::Sums.find("#{message.subject}\n#{message.text}")
          { **found.amount.to_h, number: found.number, refund: found.refund || nil }.compact
        end

        def identifiers(message) = Core::Post::Authentication.identifiers(message.results.to_a)

        def as_corrected_before(reading, message)
          before = @ports.messages.corrected(message.answers)
          reading.names = before[:names].map { |n| Core::Names::DomainName.held(n) } if before &&
            reading.names.empty?
          reading
        end

        # It answers a letter of ours: about that letter's names.
        def answering(reading, message, letter)
          word = @ports.letters.word(letter[:id])
          back = word && "#{message.subject}\n#{message.text}".include?(word)
          reading.names = names_of(letter) if reading.names.empty? || back
          reading.kind = "contact-proof" if back
          reading.because += [
            Words.say(:"post.answers_letter", subject: letter[:subject]),
            (Words.say(:"post.holds_word") if back)
          ].compact
          reading
        end

        def names_of(letter)
          letter[:names]
            .select { |n| @ports.names.find(n) }
            .map { |n| Core::Names::DomainName.held(n) }
        end

        def journal(message, reading, move)
          key = reading.proven ? "mail" : "mail_#{reading.sender}"
          data = {
            "kind" => reading.kind,
            "deadline" => reading.deadline,
            "sender" => reading.sender,
            "side" => Common::Parties.of(@ports, message.from, move),
            "passed" => reading.passed || nil,
            "ended" => reading.ended || nil
          }.compact
          subject =
            Core::Post::Masking.mask(
              message.subject.to_s,
              reading.candidates.to_a,
              speaks: reading.speaks
            )
          @ports.journal.add(
            "mail",
            at: @ports.now,
            by: "desk",
            move_id: move.id,
            name: move.name,
            data: data,
            says: Words.phrase("journal.#{key}", from: message.from, subject: subject),
            evidence: {
              "source" => Words.say(:"sources.mailbox"),
              "seen_at" => @ports.now,
              "ref" => message.message_id
            }
          )
        end
      end
    end
  end
end
