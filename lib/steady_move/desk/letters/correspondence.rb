# frozen_string_literal: true

module SteadyMove
  module Desk
    module Letters
      # Writes to a registrar's support, with everything that it needs to act and nothing secret.
      # One letter may ask for several things for several names. Its wording is the catalogue's
      # “letters”.
      module Correspondence
        # What a letter may ask for; with those in DUE the five days of the transfer policy are
        # named (ICANN Transfer Policy I.A.5).
        KINDS = %w[
          unlock
          lock
          renew
          code
          new-code
          privacy-off
          privacy-on
          name-servers
          old-name-servers
          ds
          new-ds
          old-ds
          release
          contact
          push
        ].freeze
        DUE = %w[unlock code new-code].freeze

        module_function

        # addressee: Addressee; writer: whose address stands under it; reference: ours; parts:
        # [[kind, names, [detail lines]]]. Returns a Core::Letters::Draft.
        def write(addressee, writer:, reference:, parts:)
          names = parts.flat_map { |_, each, _| each }.uniq
          due = say("five_days") if parts.any? { |kind, *| DUE.include?(kind) }
          text = [
            say("to", title: addressee.title),
            opening(addressee, names),
            *parts.map { |part| asked(*part) },
            due,
            addressee.words,
            say("reference", reference: reference),
            [addressee.signed, writer].compact.join("\n")
          ].compact.join("\n\n")
          Core::Letters::Draft.new(
            to: addressee.to,
            subject: "#{about(parts, names)} [#{reference}]",
            text: "#{text}\n",
            kinds: parts.map(&:first).uniq,
            names: names,
            reference: reference
          )
        end

        # What was asked for before and has not come, asked once more. sent: Time of the letter;
        # subject: its own; parts: as in `write`.
        def remind(addressee, sent:, subject:, **letter)
          again = write(addressee, **letter)
          says = say("reminder", sent: sent.utc.strftime("%d %B %Y at %H:%M UTC"))
          prefix = say("reminder_subject", subject: "")
          again.tap do |d|
            d.subject =
              say("reminder_subject", subject: subject.sub(/\A(?:#{Regexp.escape(prefix)})+/, ""))
            d.text = d.text.sub("\n\n", "\n\n#{says}\n\n")
          end
        end

        # A word that has to come back shows that somebody reads the address.
        def proof(to:, word:, writer:, reference:, names:)
          text =
            say(
              "proof.text",
              name: names.first,
              count: names.size - 1,
              word: word,
              reference: reference,
              writer: writer
            )
          Core::Letters::Draft.new(
            to: to,
            subject: "#{say("proof.subject")} [#{reference}]",
            text: text,
            kinds: ["proof"],
            names: names,
            reference: reference
          )
        end

        def say(key, **values) = Words.say(:"letters.#{key}", **values)

        # By what they know us: the sign-in, the customer number.
        def opening(addressee, names)
          login = addressee.login
          first = say(login ? "opening_login" : "opening", count: names.size, login: login)
          number = addressee.customer && say("customer", number: addressee.customer)
          [first, number].compact.join(" ")
        end

        def asked(kind, names, details)
          what = say("asks.#{kind}.ask")
          what = say("with_details", what: what, details: details.join("; ")) if details.any?
          ["#{what}:", *names.map { |n| "  #{n}" }].join("\n")
        end

        # “Unlock 2 names and send their codes”.
        def about(parts, names)
          all = say("all_names", count: names.size, name: names.first)
          first, *more = parts.map(&:first).uniq
          asks = [
            say("asks.#{first}.first", all: all, count: names.size),
            *more.map { |kind| say("asks.#{kind}.more", count: names.size) }
          ]
          asks.size == 1 ? asks.first : [asks[0..-2].join(", "), asks.last].join(say("and"))
        end
        private_class_method :say, :opening, :asked, :about
      end
    end
  end
end
