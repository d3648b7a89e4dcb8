# frozen_string_literal: true

require "mail"

module Practice
  module Post
    # The one mailbox of the scenario, and the people behind other addresses. Mail arrives at its instant; numbers
    # rise in the order of arrival.
    class Office
      # mailbox: the address that is read over IMAP; readers: {address => {answers_after: seconds} | {bounces: true} |
      # {silent: true}}.
      def initialize(db, agenda, mailbox:, readers:)
        @mail = db[:mail]
        @agenda = agenda
        @mailbox = mailbox
        @readers = readers
      end

      # letter: from, to, subject, text, and answers (a Message-ID) or bounced (an address).
      def deliver(at, **letter) = @agenda.add(at, "mail", letter)

      # Mail for another address than the mailbox's is lost to the desk, as in life.
      def arrive(letter, at:)
        return unless letter["to"] == @mailbox
        return @mail.insert(at: at.to_i, raw: letter["raw"]) if letter["raw"]

        message = ::Mail.new(from: letter["from"], to: letter["to"], subject: letter["subject"], charset: "UTF-8")
        letter["bounced"] ? report(message, letter) : message.body = letter["text"]
        message.date = at
        message.message_id = "<#{at.to_i}.#{@mail.count + 1}@#{letter['from'].partition('@').last}>"
        message.in_reply_to = "<#{letter['answers']}>" if letter["answers"]
        @mail.insert(at: at.to_i, raw: message.to_s)
      end

      # A letter of the desk's to somebody.
      def take_in(from, recipient, raw, at:)
        return deliver(at + 30, from: from, to: @mailbox, raw: raw) if recipient == @mailbox

        reader = @readers.fetch(recipient, { "bounces" => true })
        mail = ::Mail.read_from_string(raw)
        if reader["bounces"]
          deliver(at + 60, from: "mail-daemon@#{recipient.partition('@').last}", to: from,
            subject: "Undelivered: #{mail.subject}", bounced: recipient, answers: mail.message_id)
        elsif reader["answers_after"]
          deliver(at + reader["answers_after"], from: recipient, to: from, subject: "Re: #{mail.subject}",
            text: "Here it is.\n\n#{mail.decoded.to_s.dup.force_encoding('UTF-8').lines.map do |l|
              "> #{l}"
            end.join}", answers: mail.message_id)
        end
      end

      # [[uid, raw RFC 5322 text]] with uid above `after`.
      def since(after) = @mail.where { uid > after }.order(:uid).select_map(%i[uid raw])
      def fetch(uid) = @mail.where(uid: uid).get(:raw)
      def count = @mail.count

      private

      # A delivery status notification (RFC 3464).
      def report(message, letter)
        address = letter["bounced"]
        message.content_type = "multipart/report; report-type=delivery-status"
        message.add_part(::Mail::Part.new do
          body "Your message to #{address} could not be delivered: there is no such mailbox."
        end)
        message.add_part(::Mail::Part.new do
          content_type "message/delivery-status"
          body "Reporting-MTA: dns; practice.example\r\n\r\nFinal-Recipient: rfc822; #{address}\r\nAction: " \
               "failed\r\nStatus: 5.1.1\r\n"
        end)
      end
    end
  end
end
