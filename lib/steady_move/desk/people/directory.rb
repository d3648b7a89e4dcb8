# frozen_string_literal: true

module SteadyMove
  module Desk
    module People
      # Those who may sign in, with what belongs to them: passwords, second factors, sessions,
      # invitations. Roles rise: each may do all that the ones before it may.
      class Directory
        ROLES = %w[viewer mover approver administrator].freeze

        attr_reader :invitations, :password_words, :sessions, :factors, :passwords

        def initialize(ports, passwords: Passwords.new)
          @ports = Ports.of(ports)
          @rows = Store::People.new(@ports.db)
          @passwords = passwords
          @sessions =
            Sessions.new(
              @ports.db,
              secret: @ports.safe.derive("sessions of people"),
              idle: @ports.idle
            )
          @factors = Factors.new(@ports.db, secret: @ports.secrets.for("recovery codes"))
          @invitations = Invitations.new(@ports, self)
          @password_words = PasswordWords.new(@ports, self)
        end

        # Adds a person. Raises Refused.
        def put(email, password, role:)
          check(email, role)
          add(email, hashed(password, email), role: role)
        end

        # The same with a password that is hashed already.
        def add(email, hash, role:)
          @rows.add(email, hash, role: role, at: @ports.now)
        rescue Sequel::UniqueConstraintViolation
          invalid(:here_already, email: email)
        end

        # A password's hash; raises Refused where it is none. It takes a while: never within a
        # transaction.
        def hashed(password, email)
          @passwords.check(password, email: email)
          @passwords.hash(password)
        end

        def empty? = @rows.empty?
        def email?(email) = !by_email(email).nil?
        def by_email(email) = @rows.by_email(email)

        # Raises Refused.
        def person(id) = @rows.find(id) || invalid(:no_person, id: id)

        # The person whose session this is, with :factor (has he or she a second one?) and :session,
        # or nil.
        def signed_in(id, key, used: true)
          session = @sessions.find(id, key, used: used) or return
          @rows.find(id)&.merge(factor: @factors.any?(id), session: session)
        end

        # With whether each has a second factor.
        def all
          holders = @factors.holders
          @rows.all.map do |r|
            r.merge(
              second_factor: holders.include?(r[:id]),
              limit: r.delete(:spending_limit)&.then { |text| Store::Values.load(text) }
            )
          end
        end

        # Are there passwords left that an earlier version hashed?
        def old_hashes? = @rows.hashes?("$2")

        # Makes the hash of a password anew that just opened the door, where it is one of an earlier
        # kind.
        def renew_hash(person, password)
          return if @passwords.current?(person[:password_hash])

          @rows.set_hash(person[:id], @passwords.hash(password))
        end

        # Gives whoever is signed in another password and ends all their sessions, and their tokens
        # but for those that they keep (ids). Raises Refused.
        def change_password(id, old, password, keep: [])
          person = right_person(id, old)
          keep_password(id, hashed(password, person[:email]), keep: keep)
          note("password_changed", person[:email])
        end

        # The password once more, for what weighs much, within the session with this key. Raises
        # Refused.
        def confirm(id, key, password)
          right_person(id, password)
          @sessions.confirm(id, key)
        end

        # Raises Refused where the password is wrong, or a second factor isn't there for which
        # they'd stand in.
        def new_recovery_codes(id, password)
          person = right_person(id, password)
          invalid(:no_factor, email: person[:email]) unless @factors.any?(id)

          @factors.new_codes(id).tap { note("recovery_codes", person[:email]) }
        end

        # Every session and every token of the person ends, but for those that are kept by name:
        # whoever knew the old password may have made them.
        def keep_password(id, hash, keep: [])
          @rows.set_hash(id, hash)
          @sessions.finish_all(id)
          Store::Tokens.new(@ports.db).remove_all(id, but: keep)
        end

        # For one who lost the device: takes the second factors away. Raises Refused.
        def forget_factor(id, by:)
          person = person(id)
          invalid(:no_factor, email: person[:email]) unless @factors.forget(id)

          @sessions.finish_all(id)
          note("factor_taken", by, email: person[:email])
        end

        # Somebody signed out; id: nil where nobody was there.
        def note_end(id) = id && (row = @rows.find(id)) && note("signed_out", row[:email])

        # Writes a line about people into the journal; key: in the catalogue's “journal”.
        def note(key, by, **values)
          @ports.journal.add(
            "people",
            at: @ports.now,
            says: Words.phrase("journal.#{key}", by: by, **values),
            by: by
          )
        end

        # How a person looks at lists ({"names" => {…}, …}); what nobody chose is absent.
        def views(id) = @rows.views(id)

        # Keeps what is given in the place of what was kept of the same list. Returns all of it.
        def keep_views(id, given)
          views(id).merge(given).tap { |kept| @rows.keep_views(id, kept) }
        end

        # Gives a person another role and ends their sessions; the last administrator stays one.
        # Raises Refused.
        def change_role(id, role, by:)
          @ports.db.transaction do
            person = person(id)
            check(person[:email], role)
            keep_one_administrator(person) unless role == "administrator"
            next if person[:role] == role

            @rows.set_role(id, role)
            @sessions.finish_all(id)
            note("role_changed", by, email: person[:email], role: role)
          end
        end

        # Raises Refused for the last administrator.
        def remove(id, by:)
          @ports.db.transaction do
            person = person(id)
            keep_one_administrator(person)
            @factors.forget(id)
            @rows.remove(id)
            note("person_removed", by, email: person[:email])
          end
        end

        # May a role do what needs `least`?
        def self.may?(role, least) = ROLES.index(role).to_i >= ROLES.index(least)

        # Addresses of all whose role suffices for what needs `least`.
        def self.all_who_may(ports, least)
          ports = Ports.of(ports)
          Store::People.new(ports.db).emails(ROLES.drop(ROLES.index(least)))
        end

        # Raises Refused where this is no address, or no role.
        def check(email, role)
          invalid(:not_an_address, given: email) unless email.match?(/\A[^@\s]+@[^@\s]+\z/)
          invalid(:no_such_role, given: role, known: ROLES) unless ROLES.include?(role)
        end

        private

        def invalid(key, **values) = raise(Refused.new(:invalid, key, **values))

        # The person, where this is the password.
        def right_person(id, password)
          person(id).tap do |person|
            fits = @passwords.right?(person[:password_hash], password, old: old_hashes?)
            invalid(:password_wrong) unless fits
          end
        end

        # Asked within the transaction: of two administrators who remove each other at once, one
        # stays.
        def keep_one_administrator(person)
          return unless person[:role] == "administrator" && @rows.count("administrator") == 1

          invalid(:only_administrator, email: person[:email])
        end
      end
    end
  end
end
