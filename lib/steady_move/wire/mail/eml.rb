# frozen_string_literal: true

require "mail"

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
        # What the library raises for octets that make no sense to it.
        UNREADABLE = [
          ::Mail::Field::ParseError,
          ::Mail::UnknownEncodingType,
          ArgumentError,
          RangeError,
          TypeError,
          NoMethodError,
          IndexError,
          EncodingError
        ].freeze
        # More blanks in a row than anybody writes.
        BLANKS = /(?>[ \t]{201,})/n
        DEEPEST = 12
        # A plain part that only says where to read the rest.
        POINTER = /\bHTML\b|\bbrowser\b|\bwebmail\b/i

        # Fields of any part's head, as the library reads them: no longer than is needed, and those
        # without a good name passed over in silence (the library would tell them on standard error,
        # contents and all).
        module Careful
          NAME = /\A(?<name>[!-9;-~]{1,80})[ \t]*:/n
          LONGEST = { "content" => 1000 }.freeze

          def parse(field, charset = "utf-8")
            name = NAME.match(field.b)&.[](:name) or return
            super(
              field.byteslice(0, LONGEST.fetch(name.downcase[/\A[a-z]+/], Head::LONGEST)),
              charset
            )
          end
        end
        ::Mail::Field.singleton_class.prepend(Careful)

        module_function

        # raw: octets; only the first MOST are read, the rest is told. uid: its number in a mailbox.
        # Returns a Message; raises Malformed.
        def read(raw, uid: nil)
          raise Malformed, "the message is empty" if raw.strip.empty?

          raw = raw.byteslice(0, MOST + 1).b
          cut = raw.bytesize > MOST
          head = Head.new(raw)
          raise Malformed, "it is no mail message: there is no From field" unless head.any?("from")

          message(::Mail.read_from_string(bounded(raw, head)), head, uid: uid, cut: cut, raw: raw)
        rescue *UNREADABLE => e
          raise Malformed, "the message can't be read: #{e.message.lines.first.to_s.strip}"
        end

        # The head as it is read, and the body as it came.
        def bounded(raw, head)
          body = raw.byteslice(0, MOST)[/\r?\n\r?\n(.*)\z/mn, 1].to_s
          head.bounded + "\r\n".b + body.gsub(BLANKS) { |run| run.byteslice(0, 200) }
        end

        def message(mail, head, **more)
          froms = head.addresses("from").map { |a| clean(a) }
          marked, further = bodies(mail).map { |text| Core::Post::Bounds.text(text) }
          Message.new(
            message_id: mail.message_id && clean(mail.message_id),
            from: froms.first || address(mail, :from),
            froms: froms,
            to: address(mail, :to),
            reply_to: head.addresses("reply-to"),
            results: head.all("authentication-results"),
            subject: clean(mail.subject),
            at: date(mail),
            text: Core::Post::Marks.shown(marked),
            marked: marked,
            further: further,
            answers: answers(mail),
            undelivered: undelivered(mail),
            automatic: automatic?(mail),
            **more
          )
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
        def answers(mail)
          returned =
            mail.multipart? ? mail.parts.select { |p| p.mime_type.to_s.match?(RETURNED) } : []
          told = returned.flat_map { |p| Head.new(p.body.decoded.b).all("message-id") }
          (
            Array(mail.in_reply_to) + Array(mail.references) +
              told.map { |id| id.strip.delete("<>") }
          ).map { |id| clean(id) }.uniq.first(50)
        end

        def automatic?(mail)
          !["", "no"].include?(mail.header["Auto-Submitted"].to_s.strip.downcase)
        end

        # The failed recipients of a delivery status notification (RFC 3464 §2.3).
        def undelivered(mail)
          part =
            mail.multipart? && mail.parts.find { |p| p.mime_type == "message/delivery-status" } or
            return []
          groups =
            clean(part.body.decoded)
              .each_line(chomp: true)
              .slice_when { |line, _| line.strip.empty? }
          groups
            .filter_map do |fields|
              fields.filter_map { |f| f[RECIPIENT, 1] }.first if fields.grep(FAILED).any?
            end
            .map(&:downcase)
        end

        def address(mail, field)
          clean(Array(mail.public_send(field)).first)
        rescue ::Mail::Field::ParseError
          clean(mail[field].to_s[/[^\s<>]+@[^\s<>]+/])
        end

        def date(mail)
          mail.date&.to_time&.utc
        rescue ArgumentError, NoMethodError
          nil
        end

        # [the text that people read, with its links marked; what the message says beside it in
        # another form]. The plain parts, forwarded messages within among them; the HTML parts where
        # these say (nearly) all.
        def bodies(mail)
          parts = leaves(mail)
          plain =
            texts(parts, nil, "text/plain").map { |t| Core::Post::Marks.unmarked(t) }.join("\n")
          html = texts(parts, "text/html").map { |t| Html.marked(t) }.join("\n")
          rich = !html.strip.empty? && poor?(plain, Core::Post::Marks.shown(html))
          rich ? [html, plain] : [plain, html]
        end

        def texts(parts, *types)
          parts
            .select { |p| types.include?(p.mime_type) }
            .map { |p| decoded(p) }
            .reject { |t| t.strip.empty? }
        end

        def poor?(plain, html)
          told = plain.strip.length
          told < html.length * 0.4 || (plain.match?(POINTER) && told < html.length)
        end

        def leaves(part, depth = 0)
          return [] if depth > DEEPEST || (part.attachment? && part.mime_type != "message/rfc822")
          if part.mime_type == "message/rfc822"
            return leaves(::Mail.read_from_string(part.body.decoded), depth + 1)
          end

          part.multipart? ? part.parts.flat_map { |p| leaves(p, depth + 1) } : [part]
        end

        # Decoded into UTF-8; where the named charset doesn't fit, octets that make no sense become
        # “?”.
        def decoded(part)
          clean(part.decoded)
        rescue ::Mail::UnknownEncodingType, Encoding::CompatibilityError, ArgumentError
          clean(part.body.raw_source)
        end

        # Text without control characters.
        def clean(text)
          text = text.to_s.dup
          unless text.encoding == Encoding::UTF_8 && text.valid_encoding?
            text.force_encoding(Encoding::UTF_8)
          end
          text.scrub("?").gsub(/\r\n?/, "\n").delete("\0")
        end
        private_class_method :answers,
                             :undelivered,
                             :automatic?,
                             :address,
                             :date,
                             :bodies,
                             :leaves,
                             :decoded,
                             :clean,
                             :message,
                             :bounded,
                             :texts,
                             :poor?
      end
    end
  end
end
