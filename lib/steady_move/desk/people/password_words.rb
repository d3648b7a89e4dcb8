# frozen_string_literal: true

require "digest"
require "mail"
require "securerandom"

module SteadyMove
  module Desk
    module People
      # One-time words with which a person who forgot the password chooses a new one: from an
      # administrator, from the command line of the machine, or by mail. One at a time for a person;
      # it holds for an hour.
      class PasswordWords
        LASTS = 3600
        # Seconds before another mail goes to the same person.
        PAUSE = 600

        def initialize(ports, people)
          @ports = Ports.of(ports)
          @rows = Store::OneTimeWords.new(@ports.db, :password_words, :person_id)
          @people = people
          @turn = Mutex.new
        end

        # Returns the word; only its digest is kept. Raises Refused where there is no such person.
        def make(person_id, by:)
          person = @people.person(person_id)
          word = SecureRandom.alphanumeric(24)
          @rows.put(
            person_id: person_id,
            token_digest: Digest::SHA256.hexdigest(word),
            expires_at: now + LASTS
          )
          @people.note("password_word", by, email: person[:email])
          word
        end

        # Sets the password of whoever a word was made for and ends all their sessions; their second
        # factor stays. Raises Refused. Returns the e-mail.
        def use(word, password)
          row = @rows.find(Digest::SHA256.hexdigest(word.to_s), at: now) or
            refuse(:password_word_over)
          person = @people.person(row[:person_id])
          hash = @people.hashed(password, person[:email])
          @ports.db.transaction do
            refuse(:password_word_over) unless @rows.use(row[:token_digest])
            @people.keep_password(person[:id], hash)
          end
          @people.note("password_reset", person[:email])
          person[:email]
        end

        # Mails a word to the person with this address; where there is none, or one was mailed just
        # now, nothing happens. address: where the page for it is. Raises Wire::Unreachable or
        # Wire::Refused.
        def mail(email, address:)
          person = @people.by_email(email)
          return if person.nil? || @ports.sender.nil?

          word = unless_just_now(person) or return
          Common::OwnMail.send_out(
            @ports,
            to: [person[:email]],
            subject: Words.say(:"letters.password.subject"),
            text: Words.say(:"letters.password.text", link: "#{address}##{word}")
          )
        end

        private

        def now = @ports.now.to_i
        def refuse(key, **values) = raise(Refused.new(:invalid, key, **values))

        # A word, unless one was made within the pause.
        def unless_just_now(person)
          @turn.synchronize do
            just_now = @rows.any?(person[:id], beyond: now + LASTS - PAUSE)
            make(person[:id], by: person[:email]) unless just_now
          end
        end
      end
    end
  end
end
