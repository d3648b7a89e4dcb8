# frozen_string_literal: true

module SteadyMove
  module Core
    module Letters
      # Writes to a registrar's support, with everything that it needs to act and nothing secret. One letter may ask for several
      # things for several names. The wording is our own.
      module Writer
        FIVE_DAYS = "By the transfer policy a lock or a code that was asked for is due within five calendar days (ICANN Transfer Policy I.A.5)."

        # kind => [what the subject says, what is asked, whether the five days hold for it].
        ASKS = {
          "unlock" => ["the transfer lock off", "Please take the transfer lock off", true],
          "lock" => ["the transfer lock on", "Please put the transfer lock on again", false],
          "code" => ["the authorization code", "Please send the authorization code to the address that you know us by, for", true],
          "new-code" => ["a new authorization code", "Please set and send a new authorization code, since the one that we hold can't be used, for", true],
          "privacy-off" => ["the privacy service off", "Please turn the privacy service off, so that the public record shows the holder's own contacts, for", false],
          "privacy-on" => ["the privacy service on", "Please turn the privacy service on again for", false],
          "name-servers" => ["other name servers", "Please set these name servers", false],
          "release" => ["the release of a transfer", "We asked for this transfer and consent to it. Please release", false],
          "contact" => ["a contact corrected", "Please correct the contact", false]
        }.freeze

        module_function

        # to: address; title: of the registrar; login: our name there, or nil; writer: who signs; reference: ours;
        # parts: [[kind, names, [detail lines]]]. Returns a Draft.
        def write(to:, title:, login:, writer:, reference:, parts:)
          names = parts.flat_map { |_, each, _| each }.uniq
          text = ["To #{title}", opening(login, names), *parts.map { |part| asked(*part) }, (FIVE_DAYS if parts.any? { |kind, *| ASKS.fetch(kind)[2] }),
                  "Please keep our reference in your answer: #{reference}", writer].compact.join("\n\n")
          Draft.new(to: to, subject: "#{about(parts, names)} [#{reference}]", text: "#{text}\n", kinds: parts.map(&:first).uniq, names: names, reference: reference)
        end

        # What was asked for before and has not come, asked once more. sent: Time of the letter; subject: its own; parts: as in `write`.
        def remind(to:, title:, login:, writer:, reference:, sent:, subject:, parts:)
          again = write(to: to, title: title, login: login, writer: writer, reference: reference, parts: parts)
          says = "On #{sent.utc.strftime('%d %B %Y at %H:%M UTC')} we wrote to you and see no sign of it yet. Please see to it now, or write to us what is missing."
          again.tap do |d|
            d.subject = "Reminder: #{subject.sub(/\A(?:Reminder: )+/, '')}"
            d.text = d.text.sub("\n\n", "\n\n#{says}\n\n")
          end
        end

        # A word that has to come back shows that somebody reads the address.
        def proof(to:, word:, writer:, reference:, names:)
          text = "This address stands as a contact of #{names.size == 1 ? names.first : "#{names.first} and #{names.size - 1} more"}. Before a registrar writes here, we have to know that somebody reads it.\n\n" \
                 "Please answer this message; your answer has to hold this word:\n\n  #{word}\n\nOur reference: #{reference}\n\n#{writer}\n"
          Draft.new(to: to, subject: "Please answer with the word in this message [#{reference}]", text: text, kinds: ["proof"], names: names, reference: reference)
        end

        def opening(login, names) = "We hold #{names.size == 1 ? 'this name' : 'these names'} in our account#{" “#{login}”" if login} with you."

        def asked(kind, names, details)
          ["#{ASKS.fetch(kind)[1]}#{" (#{details.join('; ')})" if details.any?}:", *names.map { |n| "  #{n}" }].join("\n")
        end

        def about(parts, names)
          "Please: #{list(parts.map(&:first).uniq)} for #{names.size == 1 ? names.first : "#{names.size} names"}"
        end

        def list(kinds) = kinds.map { |k| ASKS.fetch(k)[0] }.join(", ")
        private_class_method :opening, :asked, :about, :list
      end
    end
  end
end
