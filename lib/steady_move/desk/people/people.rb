# frozen_string_literal: true

require "bcrypt"
require "digest"
require "securerandom"

module SteadyMove
  module Desk
    # Those who may sign in, and invitations. Roles rise: each may do all that the ones before it may.
    class People
      ROLES = %w[viewer mover approver administrator].freeze
      LEAST = 10
      INVITATION = 7 * 86_400

      def initialize(app, cost: BCrypt::Engine::DEFAULT_COST)
        @app = app
        @rows = app.db[:people]
        @invitations = app.db[:invitations]
        @cost = cost
      end

      # Adds a person, or gives an existing one this password and role. Raises Refused.
      def put(email, password, role:)
        check(email, role)
        invalid(:password_short, least: LEAST) if password.length < LEAST

        hash = BCrypt::Password.create(password, cost: @cost)
        @rows.insert_conflict(target: :email, update: { password_hash: hash, role: role })
          .insert(email: email.downcase, password_hash: hash, role: role, created_at: @app.now.to_i)
      end

      def empty? = @rows.empty?
      def find(id) = @rows.where(id: id).first

      # The person with :factor, the time of the second factor's last use, or nil where there is none.
      def signed_in(id)
        @rows.where(Sequel[:people][:id] => id).left_join(:account_otp_keys, id: :id)
          .select(Sequel[:people].*, Sequel[:account_otp_keys][:last_use].as(:factor)).first
      end

      def second_factor?(id) = @app.db[:account_otp_keys].where(id: id).any?

      # With whether each has a second factor.
      def all
        keys = @app.db[:account_otp_keys].select_map(:id)
        @rows.order(:email).select(:id, :email, :role).map { |r| r.merge(second_factor: keys.include?(r[:id])) }
      end

      # For one who lost the device: takes the second factor away. Raises Refused.
      def forget_factor(id, by:)
        person = person(id)
        invalid(:no_factor, email: person[:email]) if @app.db[:account_otp_keys].where(id: id).delete.zero?

        note("factor_taken", by, email: person[:email])
      end

      # Writes a line about people into the journal; key: in the catalogue's “journal”.
      def note(key, by, **values)
        @app.journal.add("people", at: @app.now, says: Words.phrase("journal.#{key}", by: by, **values), by: by)
      end

      # Returns the one-time word for a new person's first sign-in; only its digest is kept. Raises Refused.
      def invite(email, role:, by:)
        check(email, role)
        invalid(:here_already, email: email) if @rows.where(email: email.downcase).any?

        word = SecureRandom.alphanumeric(24)
        @invitations.insert(token_digest: Digest::SHA256.hexdigest(word), email: email.downcase, role: role,
          expires_at: @app.now.to_i + INVITATION)
        note("invited", by, email: email, role: role)
        word
      end

      # Takes an invitation up; it can't be used again. Raises Refused. Returns the e-mail.
      def accept(word, password)
        mine = @invitations.where(token_digest: Digest::SHA256.hexdigest(word.to_s))
        row = mine.where(Sequel[:expires_at] > @app.now.to_i).first or invalid(:invitation_over)
        put(row[:email], password, role: row[:role])
        @invitations.where(token_digest: row[:token_digest]).delete
        note("invitation_taken", row[:email])
        row[:email]
      end

      # Gives a person another role; the last administrator stays one. Raises Refused.
      def change_role(id, role, by:)
        person = person(id)
        check(person[:email], role)
        keep_one_administrator(person) unless role == "administrator"
        @rows.where(id: id).update(role: role)
        note("role_changed", by, email: person[:email], role: role)
      end

      # Raises Refused for the last administrator.
      def remove(id, by:)
        person = person(id)
        keep_one_administrator(person)
        @app.db[:account_otp_keys].where(id: id).delete
        @rows.where(id: id).delete
        note("person_removed", by, email: person[:email])
      end

      # May a role do what needs `least`?
      def self.may?(role, least) = ROLES.index(role).to_i >= ROLES.index(least)

      private

      def invalid(key, **values) = raise(Refused.new(:invalid, key, **values))
      def person(id) = find(id) || invalid(:no_person, id: id)

      def check(email, role)
        invalid(:not_an_address, given: email) unless email.match?(/\A[^@\s]+@[^@\s]+\z/)
        invalid(:no_such_role, given: role, known: ROLES) unless ROLES.include?(role)
      end

      def keep_one_administrator(person)
        return unless person[:role] == "administrator" && @rows.where(role: "administrator").one?

        invalid(:only_administrator, email: person[:email])
      end
    end
  end
end
