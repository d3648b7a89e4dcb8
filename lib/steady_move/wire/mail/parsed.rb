# frozen_string_literal: true

require "mail"

module SteadyMove
  module Wire
    module Mail
      # What the mail library makes of a message, taken out of it at once as plain values. Only here
      # is the library asked, so that what it raises for octets that make no sense to it is never
      # taken for a fault of ours, nor the other way round.
      module Parsed
        # message_id, subject, recipient: texts or nil; at: Time or nil; offset: of the Date field,
        # in seconds east, or nil; answers: In-Reply-To and
        # References; automatic: the body of Auto-Submitted; root: its Part.
        Whole =
          Struct.new(
            :message_id,
            :subject,
            :recipient,
            :at,
            :offset,
            :answers,
            :automatic,
            :root,
            keyword_init: true
          )
        # type: media type, lower case; name: of its file, or nil; disposition: inline, attachment
        # or nil; text: decoded into UTF-8, nil of a multipart; octets: decoded; flowed: of
        # format=flowed (RFC 3676), :delsp where its blanks go; parts: [Part].
        Part =
          Struct.new(
            :type,
            :name,
            :disposition,
            :text,
            :octets,
            :flowed,
            :parts,
            keyword_init: true
          )
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
        DEEPEST = 12

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

        # raw: octets. Returns Whole; raises Malformed.
        def read(raw)
          whole(::Mail.read_from_string(raw))
        rescue *UNREADABLE => e
          raise Malformed, "the message can't be read: #{e.message.lines.first.to_s.strip}"
        end

        def whole(mail)
          Whole.new(
            message_id: mail.message_id && Text.clean(mail.message_id),
            subject: Text.clean(mail.subject),
            recipient: address(mail, :to),
            at: date(mail)&.utc,
            offset: date(mail)&.utc_offset,
            answers: (Array(mail.in_reply_to) + Array(mail.references)).map { |a| Text.clean(a) },
            automatic: mail.header["Auto-Submitted"].to_s.strip.downcase,
            root: part(mail, 0)
          )
        end

        def part(mail, depth)
          parts = mail.multipart? && depth < DEEPEST ? mail.parts.to_a : []
          leaf = !mail.multipart?
          Part.new(
            type: mail.mime_type.to_s.downcase,
            name: file_name(mail),
            disposition: mail.content_disposition.to_s[/\A[\w-]+/]&.downcase,
            text: leaf ? decoded(mail) : nil,
            octets: leaf ? mail.body.decoded.b : "".b,
            flowed: flowed(mail),
            parts: parts.map { |p| part(p, depth + 1) }
          )
        end

        def file_name(mail)
          name = mail.filename
          name && Text.clean(name)[0, 200]
        rescue *UNREADABLE
          "?"
        end

        def flowed(mail)
          given = mail.content_type_parameters.to_h
          return unless given["format"].to_s.casecmp?("flowed")

          given["delsp"].to_s.casecmp?("yes") ? :delsp : :flowed
        rescue *UNREADABLE
          nil
        end

        def address(mail, field)
          Text.clean(Array(mail.public_send(field)).first)
        rescue ::Mail::Field::ParseError
          Text.clean(mail[field].to_s[/[^\s<>]+@[^\s<>]+/])
        end

        def date(mail)
          mail.date&.to_time
        rescue *UNREADABLE
          nil
        end

        # Decoded into UTF-8; where the named charset doesn't fit, octets that make no sense become
        # “?”.
        def decoded(mail)
          Text.clean(mail.decoded)
        rescue ::Mail::UnknownEncodingType, Encoding::CompatibilityError, ArgumentError
          Text.clean(mail.body.raw_source)
        end
        private_class_method :whole, :part, :file_name, :flowed, :address, :date, :decoded
      end
    end
  end
end
