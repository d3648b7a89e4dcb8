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
          @ports.mailboxes.any? &&
            (@due_at.nil? || @ports.now >= @due_at || @ports.now < @due_at - EVERY)
        end
        def fetch_if_due = due? && fetch

        # Looks at every mailbox. Returns how many messages were new. The outside's faults only put
        # the next look off; one mailbox that doesn't answer keeps nobody from the others.
        def fetch
          @due_at = @ports.now + EVERY
          count = @ports.mailboxes.sum { |id, box| fetch_from(box, id) }
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
        def fetch_body(id)
          kept = @ports.messages.find(id)
          raise Refused.new(:unknown, :no_head, id: id) unless kept&.bodiless

          message = as_it_lies(kept)
          unless message && message.message_id == kept.message_id
            raise Refused.new(:not_now, :body_gone)
          end

          understood = Understanding.new(@ports, MailContext.new(@ports)).understand(message)
          @ports.messages.restore(id, @ports.messages.ready(understood))
        rescue Wire::Error => e
          raise Refused.new(:not_now, :body_not_fetched, says: e.says)
        end

        # The next look is due now.
        def look_soon = @due_at = nil

        # Takes in a message that somebody saved as a file. raw: RFC 5322 text. Returns its id, nil
        # where it is here already; raises Refused.
        def drop(raw, by:)
          message = Wire::Mail::Eml.read(raw)
          take(message)&.tap do
            says = Words.phrase("journal.message_dropped", by: by, from: message.sender.to_s)
            @ports.journal.add("mail", at: @ports.now, by: by, says: says)
          end
        rescue Wire::Malformed => e
          raise Refused.new(:invalid, :message_unreadable, says: e.says)
        end

        # Takes a message in, from the mailbox or dropped in as a file. Of one that concerns nobody
        # here only the head is kept, unless it is wanted whole, could not be read, or comes from
        # whom we know. Returns its id, nil where it is here already.
        def take(message, around: MailContext.new(@ports), whole: message.place.nil?)
          return if MailboxTrial.new(@ports).came?(message)

          kept = Understanding.new(@ports, around).understand(message)
          server = Core::Post::Authentication.identifiers(message.results.to_a).first
          ready = @ports.messages.ready(kept, server: server)
          @ports.db.transaction do
            there = @ports.messages.known(message)
            next again(there, message.place) if there

            whole ||= concerns?(kept) || kept_from?(message.sender, around)
            whole ? keep(ready, kept) : @ports.messages.keep_head(ready)
          end
        end

        private

        # Nobody knows who wrote it, or it is somebody whom we know.
        def kept_from?(sender, around) = sender.to_s.empty? || around.known?(sender)

        # It is here already; perhaps at another place, since its mailbox counts anew.
        def again(id, place)
          @ports.messages.moved(id, place) if place
          nil
        end

        def keep(ready, kept)
          id = @ports.messages.keep(ready)
          stored = @ports.messages.find(id)
          MessageEffects.new(@ports).list(stored) if kept.proven?
          MailLines.new(@ports).came(kept) if kept.kind != Core::Post::Lexicon::UNRELATED
          Moves::UnrequestedTransfers.new(@ports).written(stored)
          id
        end

        # As it lies in its mailbox; nil where it lies in none, or not any more.
        def as_it_lies(kept)
          box = kept.place && @ports.mailboxes[kept.place.mailbox]
          box && reading(kept.place.mailbox).one(box, kept.place)
        end

        # How many were new.
        def fetch_from(box, id)
          around = MailContext.new(@ports)
          count = reading(id).read(box) { |message| take_in(message, around) }
          hear(id, true, Words.say(:"connections.answered"))
          count
        rescue Wire::Error => e
          hear(id, false, e.says)
          0
        end

        def reading(id)
          @readings[id] ||= MailboxReading.new(
            @ports,
            id,
            senders: -> { MailContext.new(@ports).senders([]) }
          )
        end

        def hear(id, well, says)
          @ports.heard.note("mailbox #{id}", at: @ports.now, well: well, says: says)
        end

        # What nobody foresaw in one message holds up neither the others nor the moves: it is kept
        # as one that nobody could read, its octets sealed beside it. Only where nothing at all can
        # be written down does it wait.
        def take_in(message, around)
          take(message, around: around)
        rescue StandardError => e
          raise if Store::Trouble.kind(e)

          @on_error.call(e)
          keep_unread(message, Words.say(:"post.not_understood", error: e.class.name))
        end

        def keep_unread(message, because)
          put(message, because)
        rescue Sequel::DatabaseError => e
          raise if Store::Trouble.kind(e)

          put(Core::Post::Message.unreadable(because, message.raw, place: message.place), because)
        end

        def put(message, because)
          reading = Core::Post::Reading.none(because)
          kept = Core::Post::Kept.new(message: message, reading: reading)
          @ports.messages.keep(@ports.messages.ready(kept))
        end

        # Is there anything in it for somebody here?
        def concerns?(kept)
          kept.kind != Core::Post::Lexicon::UNRELATED || !kept.letter_id.nil? ||
            !kept.move_id.nil? || kept.names.any? || kept.reading.candidates.to_a.any?
        end
      end
    end
  end
end
