# frozen_string_literal: true

require "mail"

module Practice
  module Post
    # The one mailbox of the scenario, and the people behind other addresses. Mail arrives at its
    # instant; numbers rise in the order of arrival.
    class Office
      # mailbox: the address that is read over IMAP; server: what its mail server calls itself in
      # the Authentication-Results that it writes on top (RFC 8601 §5; what arrives with its own
      # name is taken off); readers: {address => {answers_after: seconds} | {bounces: true} |
      # {silent: true}}; every other address bounces, but for those at the mailbox's own domain.
      def initialize(db, agenda, mailbox:, readers:, server: "post.invalid")
        @server = server
        @mail = db[:mail]
        @agenda = agenda
        @mailbox = mailbox
        @readers = readers
      end

      # letter: from, to, subject, text, and answers (a Message-ID) or bounced (an address); via:
      # whose server really sent it, where that is another's.
      def deliver(at, **letter) = @agenda.add(at, "mail", letter)

      # Mail for another address than the mailbox's is lost to the desk, as in life.
      def arrive(letter, at:)
        return unless letter["to"] == @mailbox
        return keep(letter["raw"], at, sender: letter["from"]) if letter["raw"]

        message =
          ::Mail.new(
            from: letter["from"],
            to: letter["to"],
            subject: letter["subject"],
            charset: "UTF-8"
          )
        letter["bounced"] ? report(message, letter) : message.body = letter["text"]
        message.date = at
        message.message_id = "<#{at.to_i}.#{@mail.count + 1}@#{letter["from"].partition("@").last}>"
        message.in_reply_to = "<#{letter["answers"]}>" if letter["answers"]
        keep(message.to_s, at, sender: letter["via"] || letter["from"])
      end

      # A letter of the desk's to somebody.
      def take_in(from, recipient, raw, at:)
        return deliver(at + 30, from: from, to: @mailbox, raw: raw) if recipient == @mailbox

        reader = @readers.fetch(recipient) { colleague?(recipient) ? {} : { "bounces" => true } }
        mail = ::Mail.read_from_string(raw)
        if reader["bounces"]
          deliver(
            at + 60,
            from: "mail-daemon@#{recipient.partition("@").last}",
            to: from,
            subject: "Undelivered: #{mail.subject}",
            bounced: recipient,
            answers: mail.message_id
          )
        elsif reader["answers_after"]
          deliver(
            at + reader["answers_after"],
            from: recipient,
            to: from,
            subject: "Re: #{mail.subject}",
            text:
              "Here it is.\n\n#{
                mail.decoded.to_s.dup.force_encoding("UTF-8").lines.map { |l| "> #{l}" }.join
              }",
            answers: mail.message_id
          )
        end
      end

      # [[uid, raw RFC 5322 text]] with uid above `after`.
      def since(after) = @mail.where { uid > after }.order(:uid).select_map(%i[uid raw])
      def fetch(uid) = @mail.where(uid: uid).get(:raw)
      def count = @mail.count

      private

      # Everybody at the owner's own domain has a mailbox.
      def colleague?(recipient) = recipient.rpartition("@").last == @mailbox.rpartition("@").last

      # What this server found: whose server sent it, and whether the From field speaks of the same
      # domain (RFC 7489).
      def keep(raw, at, sender:)
        domain = sender.rpartition("@").last
        from = ::Mail.read_from_string(raw).from.to_a.first.to_s.rpartition("@").last
        found =
          "spf=pass smtp.mailfrom=#{domain}; dkim=pass header.d=#{domain}; " \
            "dmarc=#{from == domain ? "pass" : "fail"} header.from=#{from}"
        raw =
          raw.gsub(
            /^Authentication-Results:\s*#{Regexp.escape(@server)};[^\n]*\n(?:[ \t][^\n]*\n)*/i,
            ""
          )
        @mail.insert(at: at.to_i, raw: "Authentication-Results: #{@server};\r\n #{found}\r\n#{raw}")
      end

      # A delivery status notification (RFC 3464).
      def report(message, letter)
        address = letter["bounced"]
        message.content_type = "multipart/report; report-type=delivery-status"
        message.add_part(
          ::Mail::Part.new do
            body "Your message to #{address} could not be delivered: there is no such mailbox."
          end
        )
        message.add_part(
          ::Mail::Part.new do
            content_type "message/delivery-status"
            body "Reporting-MTA: dns; practice.example\r\n\r\nFinal-Recipient: rfc822; #{address}\r\nAction: " \
                   "failed\r\nStatus: 5.1.1\r\n"
          end
        )
      end
    end
  end
end
