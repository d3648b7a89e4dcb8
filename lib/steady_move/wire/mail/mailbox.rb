# frozen_string_literal: true

require "net/imap"

module SteadyMove
  module Wire
    module Mail
      # Reads a mailbox over IMAP (RFC 9051 / RFC 3501) without marking or deleting anything.
      class Mailbox
        # endpoint: {host, port, login, password, tls (true or yes: from the start, the default;
        # starttls; false or no), folder, timeout}.
        def initialize(endpoint)
          @at = endpoint
        end

        # Octets of one answer of the server: a message is fetched in part, numbers in stretches.
        MOST = Eml::MOST + 65_536

        # The mailbox opened for reading, while the block runs. Raises Unreachable or Refused.
        def open
          session do |imap|
            in_time { imap.examine(@at.fetch(:folder, "INBOX")) }
            yield Reading.new(imap, method(:in_time), method(:message))
          end
        end

        # An open mailbox.
        class Reading
          def initialize(imap, in_time, message)
            @imap = imap
            @in_time = in_time
            @message = message
          end

          # The number that changes when UIDs begin anew (RFC 9051 §2.3.1.1), or nil where the
          # server tells none.
          def validity = @imap.responses("UIDVALIDITY", &:last)

          # UIDs above one, ascending; of messages from one of these addresses or domains alone,
          # where any is given (the server compares parts of the From field: RFC 9051 §6.4.4).
          def uids(after: 0, from: nil)
            keys = ["UID", Net::IMAP::SequenceSet["#{after + 1}:*"]]
            # a range that ends in * names the last message even where that lies below its beginning
            found = @in_time.call { from ? of_sender(keys, from) : newest(keys) }
            found.select { |u| u > after }.uniq.sort
          end

          # Numbers of so many messages are asked for at once, of at most so many stretches.
          STRETCH = 50_000
          STRETCHES = 100

          # Calls the block with each message (Core::Post::Message), in the order that is given; one
          # that is gone is passed over.
          def each(uids)
            uids.each do |uid|
              fetched =
                @in_time.call { @imap.uid_fetch(uid, "BODY.PEEK[]<0.#{Eml::MOST + 1}>") }.to_a.first
              fetched && yield(@message.call(uid, fetched))
            end
          end

          private

          # The newest first, until a stretch goes below what is looked for: UIDs rise with the
          # messages' places (RFC 9051 §2.3.1.1).
          def newest(keys)
            stretches.each_with_object([]) do |places, found|
              here = search(places, keys)
              found.concat(here)
              break found if here.size < places.size
            end
          end

          def of_sender(keys, from)
            stretches.flat_map { |places| search(places, [*keys, "FROM", from]) }
          end

          def search(places, keys)
            return @imap.uid_search(keys) if stretches.one?

            @imap.uid_search([Net::IMAP::SequenceSet["#{places.begin}:#{places.end}"], *keys])
          end

          # The messages' places, the last stretch of them first.
          def stretches
            top = @imap.responses("EXISTS", &:last).to_i
            return [1..top] if top <= STRETCH

            top.step(1, -STRETCH).first(STRETCHES).map { |n| ([n - STRETCH + 1, 1].max)..n }
          end
        end

        # Waits until the server tells that a message has come (IDLE, RFC 2177), at most so many
        # seconds. Returns true where one has, false where none came, nil where the server has no
        # IDLE. Raises Unreachable or Refused.
        def wait(seconds)
          session do |imap|
            next unless in_time { imap.capability.include?("IDLE") }

            in_time { imap.examine(@at.fetch(:folder, "INBOX")) }
            came = false
            imap.idle(seconds) do |answer|
              unless answer.is_a?(Net::IMAP::UntaggedResponse) && answer.name == "EXISTS" && !came
                next
              end

              came = true
              imap.idle_done
            end
            came
          end
        end

        private

        def tls
          { "true" => :tls, "yes" => :tls, "starttls" => :starttls }[@at.fetch(:tls, true).to_s]
        end

        def patience = @at.fetch(:timeout, 10)

        # Net::IMAP waits for an answer without end; each exchange has a deadline of its own
        # instead.
        def in_time(&) = Deadline.new(patience).hold(&)

        def session(&)
          converse(&)
        rescue Net::IMAP::NoResponseError => e
          raise Refused.new("NO", "the mailbox at #{@at[:host]} refused: #{e.message}")
        rescue Deadline::Passed
          raise Unreachable,
                "the mailbox at #{@at[:host]} port #{@at[:port]} can't be read (it does not answer)"
        rescue Net::IMAP::Error,
               SystemCallError,
               IOError,
               SocketError,
               OpenSSL::SSL::SSLError,
               Timeout::Error => e
          raise Unreachable,
                "the mailbox at #{@at[:host]} port #{@at[:port]} can't be read (" \
                  "#{e.message[/\A[^@]+/].to_s.strip})"
        end

        def converse
          imap = nil
          in_time do
            imap =
              Net::IMAP.new(
                @at.fetch(:host),
                port: @at.fetch(:port),
                ssl: tls == :tls,
                open_timeout: patience,
                config: {
                  max_response_size: MOST
                }
              )
            told_capabilities(imap)
            imap.starttls if tls == :starttls
            imap.login(@at.fetch(:login), @at.fetch(:password))
          end
          yield imap
        ensure
          imap&.disconnect unless imap.nil? || imap.disconnected?
        end

        # Every server tells them when it is asked (RFC 9051 §6.1.1).
        def told_capabilities(imap)
          return if imap.capabilities_cached? || imap.capability

          raise Net::IMAP::Error, "it tells no capabilities"
        end

        def place(uid) = Core::Post::Place.new(uid: uid)

        # A message that can't be read is kept as what it is, so that the ones after it are reached.
        def message(uid, fetched)
          raw = fetched.attr.find { |k, _| k.start_with?("BODY") }&.last.to_s
          Eml.read(raw, place: place(uid))
        rescue Malformed => e
          Core::Post::Message.unreadable(e.message, raw, place: place(uid))
        end
      end
    end
  end
end
