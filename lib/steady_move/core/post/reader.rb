# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # Understands a message from its plain parts.
      module Reader
        # kind => wording that tells it; the first that fits wins. Common practice, no source.
        KINDS = {
          "approval-request" => /(approve|confirm|release).{0,80}transfer|transfer.{0,80}(approve|confirm|release)/im,
          "landed" => /transfer.{0,60}(complete|finished|has ended)|now (held|registered) (at|with)/im,
          "lock-notice" => /transfer lock/i,
          "code" => /authori[sz]ation code/i
        }.freeze
        DEADLINE = /\b(?:until|by|before) (\d{4})-(\d\d)-(\d\d)[T ](\d\d):(\d\d)(?::(\d\d))?(?: ?UTC|Z)/

        module_function

        # from: address; subject, text: Strings; held: [DomainName]; sender_domains: domains the account is known to write from.
        # Returns a Reading.
        def read(from:, subject:, text:, held:, sender_domains:)
          body = "#{subject}\n#{text}"
          names = held.select { |n| body.match?(/(?<![a-z0-9.-])#{Regexp.escape(n.ascii)}(?![a-z0-9-])/i) }
          kind = names.empty? ? "unrelated" : (KINDS.find { |_, words| body.match?(words) }&.first || "unrelated")
          sender = from.to_s.downcase.partition("@").last
          known = sender_domains.any? { |d| sender == d || sender.end_with?(".#{d}") }
          Reading.new(kind: kind, names: names, deadline: deadline(body), doubtful: !known && kind != "unrelated",
                      because: reasons(kind, sender, known))
        end

        def deadline(body)
          m = DEADLINE.match(body) or return
          Time.utc(*m.captures.map(&:to_i))
        end

        def reasons(kind, sender, known)
          [("The wording is that of: #{kind.tr('-', ' ')}." unless kind == "unrelated"),
           ("#{sender} is not an address that this registrar is known to write from." unless known)].compact
        end
        private_class_method :deadline, :reasons
      end
    end
  end
end
