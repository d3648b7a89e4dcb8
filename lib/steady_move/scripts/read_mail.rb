# frozen_string_literal: true

require "json"

module SteadyMove
  module Scripts
    # `read-mail FILE…`: what each message seems to be, as one line of JSON.
    class ReadMail
      # names: as typed, parted by commas; domains: that the account writes from, or nil; ids:
      # identifiers of the mailbox's own server, or nil. Raises Misused.
      def initialize(names:, domains:, ids:, suffixes:)
        @held =
          names.to_s.split(",").map { |n| Core::Names::DomainName.parse(n, suffixes: suffixes) }
        @known = domains && list(domains).map { |d| Core::Names::HostName.ascii(d) || d }
        @ids = list(ids.to_s)
      rescue Core::Names::DomainName::Invalid => e
        raise Misused, "--names: #{Words.text(e.phrase)}"
      end

      # raw: octets. Returns the line; raises Wire::Malformed.
      def line(raw)
        message = Wire::Mail::Eml.read(raw)
        reading = Core::Post::Reader.read(message, held: @held, known: @known, ids: @ids)
        because = reading.because.map { |b| Words.text(b) }
        if message.cut
          because << "Only the first #{Wire::Mail::Eml::MOST} of #{raw.bytesize} octets were read."
        end
        JSON.generate(told(reading, because))
      end

      private

      # A code of a doubtful sender is not handed on: whatever reads this line could act on it.
      def told(reading, because)
        withheld = reading.doubtful? && (reading.code || reading.codes.any?)
        because += [Words.say(:"post.code_not_given")] if withheld
        {
          names: reading.names,
          kind: reading.kind,
          code: (reading.code unless reading.doubtful?),
          codes: reading.doubtful? ? {} : reading.codes,
          link: reading.link,
          deadline: reading.deadline&.strftime("%Y-%m-%dT%H:%M:%SZ"),
          doubtful: reading.doubtful?,
          sender: reading.trust,
          links: reading.links.map { |l| { url: l.url, words: l.words, role: l.role } },
          because: because
        }
      end

      def list(text) = text.split(",").map { |d| d.strip.downcase }.reject(&:empty?)
    end
  end
end
