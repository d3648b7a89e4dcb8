# frozen_string_literal: true

require "mail"

module SteadyMove
  module Wire
    module Mail
      # A raw message (RFC 5322, MIME) as text: the plain part, or an HTML part with its tags taken off; nothing in it
      # is run or fetched.
      module Eml
        # One recipient of a delivery report that could not be reached (RFC 3464 §2.3).
        UNDELIVERED = /^Final-Recipient:\s*rfc822;\s*(\S+)(?:(?!\n\s*\n).)*?^Action:\s*failed/im
        MOST = 1024 * 1024
        DEEPEST = 12
        FAILED = /\b(dkim|spf|dmarc)=(?:fail|softfail|permerror)\b/i

        module_function

        # raw: octets; only the first MOST are read, the rest is told. uid: its number in a mailbox. Returns a
        # Message; raises Malformed.
        def read(raw, uid: nil)
          raise Malformed, "the message is empty" if raw.strip.empty?

          mail = ::Mail.read_from_string(raw.byteslice(0, MOST).b)
          raise Malformed, "it is no mail message: there is no From field" if mail.header_fields.none? do |f|
            f.name.casecmp?("from")
          end

          Message.new(uid: uid, message_id: mail.message_id, from: address(mail, :from), to: address(mail, :to),
            subject: clean(mail.subject),
            at: date(mail), text: text_of(mail), failed: failed(mail), cut: raw.bytesize > MOST,
            answers: answers(mail), undelivered: undelivered(mail), automatic: automatic?(mail))
        rescue ::Mail::Field::ParseError, ::Mail::UnknownEncodingType, ArgumentError => e
          raise Malformed, "the message can't be read: #{e.message.lines.first.to_s.strip}"
        end

        # A letter of ours as a message (RFC 5322). message_id without its angle brackets; answers: Message-ID of what
        # it follows, or nil.
        def write(from:, to:, subject:, text:, at:, message_id:, answers: nil)
          mail = ::Mail.new(from: from, to: to, subject: subject, body: text, charset: "UTF-8")
          mail.date = at
          mail.message_id = "<#{message_id}>"
          mail.in_reply_to = mail.references = "<#{answers}>" if answers
          mail.to_s
        end

        # RFC 5322 §3.6.4.
        def answers(mail) = (Array(mail.in_reply_to) + Array(mail.references)).map(&:to_s).uniq.first(50)

        def automatic?(mail) = !["", "no"].include?(mail.header["Auto-Submitted"].to_s.strip.downcase)

        # The failed recipients of a delivery status notification (RFC 3464 §2.3).
        def undelivered(mail)
          part = mail.multipart? && mail.parts.find { |p| p.mime_type == "message/delivery-status" } or return []
          part.body.decoded.scan(UNDELIVERED).flatten.map(&:downcase)
        end

        def address(mail, field)
          Array(mail.public_send(field)).first.to_s
        rescue ::Mail::Field::ParseError
          mail[field].to_s[/[^\s<>]+@[^\s<>]+/].to_s
        end

        def date(mail)
          mail.date&.to_time&.utc
        rescue ArgumentError, NoMethodError
          nil
        end

        # What the receiving server itself found (the topmost Authentication-Results, RFC 8601 §2.2).
        def failed(mail)
          Array(mail.header["Authentication-Results"]).first.to_s.scan(FAILED).flatten.map(&:downcase).uniq
        end

        # Plain parts, forwarded messages within among them; HTML only where no plain text is.
        def text_of(mail)
          parts = leaves(mail)
          plain = parts.select do |p|
            p.mime_type.nil? || p.mime_type == "text/plain"
          end.map { |p| decoded(p) }.reject { |t| t.strip.empty? }
          return plain.join("\n") if plain.any?

          parts.select { |p| p.mime_type == "text/html" }.map { |p| Html.text(decoded(p)) }.join("\n")
        end

        def leaves(part, depth = 0)
          return [] if depth > DEEPEST || (part.attachment? && part.mime_type != "message/rfc822")
          return leaves(::Mail.read_from_string(part.body.decoded), depth + 1) if part.mime_type == "message/rfc822"

          part.multipart? ? part.parts.flat_map { |p| leaves(p, depth + 1) } : [part]
        end

        # Decoded into UTF-8; where the named charset doesn't fit, octets that make no sense become “?”.
        def decoded(part)
          clean(part.decoded)
        rescue ::Mail::UnknownEncodingType, Encoding::CompatibilityError, ArgumentError
          clean(part.body.raw_source)
        end

        # Text without control characters.
        def clean(text)
          text = text.to_s.dup
          text.force_encoding(Encoding::UTF_8) unless text.encoding == Encoding::UTF_8 && text.valid_encoding?
          text.scrub("?").gsub(/\r\n?/, "\n")
        end
        private_class_method :answers, :undelivered, :automatic?, :address, :date, :failed, :text_of, :leaves,
          :decoded, :clean
      end
    end
  end
end
