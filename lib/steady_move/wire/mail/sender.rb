# frozen_string_literal: true

require "net/smtp"

module SteadyMove
  module Wire
    module Mail
      # Hands mail to a server for sending (RFC 5321, RFC 6409; STARTTLS: RFC 3207).
      class Sender
        # endpoint: {host, port, login, password, tls (yes: from the start; starttls; no), from,
        # timeout, told: called with whether the server answered, and what it said instead}.
        def initialize(endpoint)
          @at = endpoint
          @told = endpoint.fetch(:told) { ->(_, _) {} }
        end

        # The address that letters come from.
        def from = @at.fetch(:from)

        # raw: a whole message (RFC 5322); to: [address]. Raises Unreachable where it may be tried
        # again, Refused where the server said no.
        def deliver(raw, to:)
          hand_over(raw, to)
          @told.call(true, nil)
          true
        rescue Refused
          @told.call(true, nil)
          raise
        rescue Unreachable => e
          @told.call(false, e.message)
          raise
        end

        def inspect = "#<Sender>"

        private

        def hand_over(raw, to)
          smtp = Net::SMTP.new(@at.fetch(:host), @at.fetch(:port), **security)
          smtp.open_timeout = smtp.read_timeout = patience
          Deadline.new(patience * 2).hold { converse(smtp, raw, to) }
        rescue Net::SMTPFatalError, Net::SMTPAuthenticationError, Net::SMTPSyntaxError => e
          raise Refused.new(
                  e.message[/\A\d{3}/] || "5xx",
                  "the mail server at #{@at[:host]} refused: #{first_line(e)}"
                )
        rescue Deadline::Passed
          raise Unreachable,
                "the mail server at #{@at[:host]} port #{@at[:port]} did not answer within " \
                  "#{patience * 2} s"
        rescue Net::ProtocolError,
               SystemCallError,
               IOError,
               SocketError,
               OpenSSL::SSL::SSLError,
               Timeout::Error,
               ArgumentError => e
          says = e.message[/\A[^@]+/].to_s.lines.first.to_s.strip
          raise Unreachable,
                "the mail server at #{@at[:host]} port #{@at[:port]} can't be reached (#{says})"
        end

        def patience = @at.fetch(:timeout, 10)
        def first_line(error) = error.message.lines.first.to_s.strip

        def converse(smtp, raw, recipients)
          way = { user: @at[:login], secret: @at[:password], authtype: (:plain if @at[:login]) }
          smtp.start(helo: from.partition("@").last, **way) do |s|
            s.send_message(raw, from, *recipients)
          end
        end

        def security
          case @at.fetch(:tls, "starttls").to_s
          when "yes", "true"
            { tls: true, starttls: false }
          when "no", "false"
            { tls: false, starttls: false }
          else
            { tls: false, starttls: :always }
          end
        end
      end
    end
  end
end
