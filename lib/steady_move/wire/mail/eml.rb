# frozen_string_literal: true

module SteadyMove
  module Wire
    module Mail
      # A raw message (RFC 5322, MIME) as text: the plain part, or an HTML part with its tags taken
      # off; nothing in it is run or fetched.
      module Eml
        # Of the fields about one recipient in a delivery report (RFC 3464 §2.3).
        RECIPIENT = /\Afinal-recipient:[ \t]*rfc822;[ \t]*(\S+)/i
        FAILED = /\Aaction:[ \t]*failed/i
        RETURNED = %r{\A(?:message/rfc822|text/rfc822-headers|message/rfc822-headers)\z}
        MOST = 1024 * 1024
        # More blanks in a row than anybody writes.
        BLANKS = /(?>[ \t]{201,})/n
        ANSWERS = 50

        module_function

        # raw: octets; only the first MOST are read, the rest is told. place: Core::Post::Place or
        # nil. Returns Core::Post::Message; raises Malformed.
        def read(raw, place: nil)
          raise Malformed, "the message is empty" if raw.strip.empty?

          raw = raw.byteslice(0, MOST + 1).b
          head = Head.new(raw)
          raise Malformed, "it is no mail message: there is no From field" unless head.any?("from")

          message(Parsed.read(bounded(raw, head)), head, raw).at_place(place)
        end

        # The head as it is read, and the body as it came.
        def bounded(raw, head)
          body = raw.byteslice(0, MOST)[/\r?\n\r?\n(.*)\z/mn, 1].to_s
          head.bounded + "\r\n".b + body.gsub(BLANKS) { |run| run.byteslice(0, 200) }
        end

        def message(whole, head, raw)
          Core::Post::Message.new(
            **on_lines(whole),
            **whole.to_h.slice(:at, :offset),
            **senders(head),
            **texts(whole),
            cut: raw.bytesize > MOST,
            answers: answers(whole),
            undelivered: undelivered(whole.root),
            automatic: !["", "no"].include?(whole.automatic),
            raw: raw
          )
        end

        # What stands in lists and sentences, each on one line.
        def on_lines(whole)
          told = whole.to_h.slice(:message_id, :recipient, :subject).compact
          told.transform_values { |text| Core::Signs.shown(text) }
        end

        def senders(head)
          all = head.addresses("from").map { |a| Text.clean(a) }
          {
            sender: all.first.to_s,
            senders: all,
            reply_to: head.addresses("reply-to"),
            results: head.all("authentication-results"),
            trace: head.among("authentication-results", "received", "received-spf")
          }
        end

        def texts(whole)
          body = Body.of(whole.root)
          { text: Core::Post::Marks.shown(body.marked), **body.to_h }
        end

        # A letter of ours as a message (RFC 5322). message_id without its angle brackets; answers:
        # Message-ID of what it follows, or nil.
        def write(from:, to:, subject:, text:, at:, message_id:, answers: nil)
          mail = ::Mail.new(from: from, to: to, subject: subject, body: text, charset: "UTF-8")
          mail.date = at
          mail.message_id = "<#{message_id}>"
          mail.in_reply_to = mail.references = "<#{answers}>" if answers
          mail.to_s
        end

        # RFC 5322 §3.6.4; of a delivery report, also the message that it speaks of (RFC 3464 §2).
        def answers(whole)
          returned = whole.root.parts.select { |p| p.type.match?(RETURNED) }
          told = returned.flat_map { |p| Head.new(p.octets).all("message-id") }
          told = told.map { |id| Text.clean(id.strip.delete("<>")) }
          (whole.answers + told).uniq.first(ANSWERS)
        end

        # The failed recipients of a delivery status notification (RFC 3464 §2.3).
        def undelivered(root)
          part = root.parts.find { |p| p.type == "message/delivery-status" } or return []
          lines = Text.clean(part.octets).each_line(chomp: true)
          groups = lines.slice_when { |line, _| line.strip.empty? }
          failed = groups.select { |fields| fields.grep(FAILED).any? }
          failed
            .filter_map { |fields| fields.filter_map { |f| f[RECIPIENT, 1] }.first }
            .map(&:downcase)
        end
        private_class_method :bounded, :message, :on_lines, :senders, :texts, :answers, :undelivered
      end
    end
  end
end
