# frozen_string_literal: true

require "net/imap"
require "mail"

module SteadyMove
  module Wire
    module Mail
      # Reads a mailbox over IMAP (RFC 9051 / RFC 3501) without marking or deleting anything.
      class Mailbox
        MOST = 1024 * 1024

        # endpoint: {host, port, login, password, tls (default true), folder, timeout}.
        def initialize(endpoint)
          @at = endpoint
        end

        # All messages whose UID is above `after`; each as Message. Raises Unreachable or Refused.
        def messages(after: 0)
          session do |imap|
            imap.examine(@at.fetch(:folder, "INBOX"))
            uids = imap.uid_search(["UID", "#{after + 1}:*"]).select { |u| u > after }.sort
            uids.map { |uid| message(uid, imap.uid_fetch(uid, "BODY.PEEK[]<0.#{MOST}>").first) }
          end
        end

        private

        def session
          imap = Net::IMAP.new(@at.fetch(:host), port: @at.fetch(:port), ssl: @at.fetch(:tls, true), open_timeout: @at.fetch(:timeout, 10))
          imap.login(@at.fetch(:login), @at.fetch(:password))
          yield imap
        rescue Net::IMAP::NoResponseError => e
          raise Refused.new("NO", "the mailbox at #{@at[:host]} refused: #{e.message}")
        rescue Net::IMAP::Error, SystemCallError, IOError, SocketError, OpenSSL::SSL::SSLError, Timeout::Error => e
          raise Unreachable, "the mailbox at #{@at[:host]} port #{@at[:port]} can't be read (#{e.message[/\A[^@]+/].to_s.strip})"
        ensure
          imap&.disconnect unless imap.nil? || imap.disconnected?
        end

        def message(uid, fetched)
          raw = fetched.attr.find { |k, _| k.start_with?("BODY") }&.last.to_s
          mail = ::Mail.read_from_string(raw)
          Message.new(uid: uid, message_id: mail.message_id, from: mail.from&.first.to_s, to: mail.to&.first.to_s,
                      subject: mail.subject.to_s, at: mail.date&.to_time&.utc, text: text_of(mail))
        end

        def text_of(mail)
          part = mail.multipart? ? mail.text_part : mail
          (part ? part.decoded : "").to_s.dup.force_encoding(Encoding::UTF_8).scrub("?")
        end
      end
    end
  end
end
