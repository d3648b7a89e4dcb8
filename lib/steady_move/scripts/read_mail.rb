# frozen_string_literal: true

require "json"

module SteadyMove
  module Scripts
    # `read-mail FILE`: what a message seems to be, as one line of JSON.
    module ReadMail
      module_function

      # raw: octets; names: as typed, parted by commas; domains: sender domains or nil. Raises Misused,
      # Wire::Malformed. Returns 0.
      def call(raw, names:, domains:, suffixes:, out:)
        held = names.to_s.split(",").map { |n| Core::Names::DomainName.parse(n, suffixes: suffixes) }
        message = Wire::Mail::Eml.read(raw)
        senders = domains && domains.downcase.split(",").map(&:strip)
        reading = Core::Post::Reader.read(from: message.from, subject: message.subject, text: message.text, held: held,
          sent: message.at, failed: message.failed, sender_domains: senders)
        because = reading.because.map { |b| Words.say(b) }
        because << "Only the first #{Wire::Mail::Eml::MOST} of #{raw.bytesize} octets were read." if message.cut
        out.puts JSON.generate(names: reading.names.map(&:ascii), kind: reading.kind, code: reading.code,
          link: reading.link,
          deadline: reading.deadline&.strftime("%Y-%m-%dT%H:%M:%SZ"), doubtful: reading.doubtful, because: because)
        0
      rescue Core::Names::DomainName::Invalid => e
        raise Misused, "--names: #{Words.say(e.phrase)}"
      end
    end
  end
end
