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

      # The address, password, role or invitation won't do; says why.
      class Invalid < StandardError; end

      def initialize(app, cost: BCrypt::Engine::DEFAULT_COST)
        @app = app
        @rows = app.db[:people]
        @invitations = app.db[:invitations]
        @cost = cost
      end

      # Adds a person, or gives an existing one this password and role. Raises Invalid.
      def put(email, password, role:)
        check(email, role)
        raise Invalid, "the password needs at least #{LEAST} characters" if password.length < LEAST

        hash = BCrypt::Password.create(password, cost: @cost)
        @rows.insert_conflict(target: :email, update: { password_hash: hash, role: role })
             .insert(email: email.downcase, password_hash: hash, role: role, created_at: @app.now.to_i)
      end

      def empty? = @rows.empty?
      def find(id) = @rows.where(id: id).first
      # The person with :factor, the time of the second factor's last use, or nil where there is none.
      def signed_in(id) = @rows.where(Sequel[:people][:id] => id).left_join(:account_otp_keys, id: :id).select(Sequel[:people].*, Sequel[:account_otp_keys][:last_use].as(:factor)).first

      # With whether each has a second factor.
      def all
        keys = @app.db[:account_otp_keys].select_map(:id)
        @rows.order(:email).select(:id, :email, :role).map { |r| r.merge(second_factor: keys.include?(r[:id])) }
      end

      # For one who lost the device: takes the second factor away. Raises Invalid.
      def forget_factor(id, by:)
        person = find(id) or raise Invalid, "there is no person number #{id}"
        raise Invalid, "#{person[:email]} has no second factor" if @app.db[:account_otp_keys].where(id: id).delete.zero?

        note("#{by} took the second factor of #{person[:email]} away.", by)
      end

      # Writes a line about people into the journal.
      def note(says, by) = @app.journal.add("people", at: @app.now, says: says, by: by)

      # Returns the one-time word for a new person's first sign-in; only its digest is kept. Raises Invalid.
      def invite(email, role:, by:)
        check(email, role)
        raise Invalid, "#{email} is here already" if @rows.where(email: email.downcase).any?

        word = SecureRandom.alphanumeric(24)
        @invitations.insert(token_digest: Digest::SHA256.hexdigest(word), email: email.downcase, role: role, expires_at: @app.now.to_i + INVITATION)
        note("#{by} invited #{email} as #{role}.", by)
        word
      end

      # Takes an invitation up; it can't be used again. Raises Invalid. Returns the e-mail.
      def accept(word, password)
        row = @invitations.where(token_digest: Digest::SHA256.hexdigest(word.to_s)).where(Sequel[:expires_at] > @app.now.to_i).first or
          raise Invalid, "the invitation is used, withdrawn or older than seven days; ask for a new one"
        put(row[:email], password, role: row[:role])
        @invitations.where(token_digest: row[:token_digest]).delete
        note("#{row[:email]} took up the invitation.", row[:email])
        row[:email]
      end

      # Gives a person another role; the last administrator stays one. Raises Invalid.
      def change_role(id, role, by:)
        person = find(id) or raise Invalid, "there is no person number #{id}"
        check(person[:email], role)
        keep_one_administrator(person) unless role == "administrator"
        @rows.where(id: id).update(role: role)
        note("#{by} made #{person[:email]} #{role}.", by)
      end

      # Raises Invalid for the last administrator.
      def remove(id, by:)
        person = find(id) or raise Invalid, "there is no person number #{id}"
        keep_one_administrator(person)
        @app.db[:account_otp_keys].where(id: id).delete
        @rows.where(id: id).delete
        note("#{by} removed #{person[:email]}.", by)
      end

      # May a role do what needs `least`?
      def self.may?(role, least) = ROLES.index(role).to_i >= ROLES.index(least)

      private

      def check(email, role)
        raise Invalid, "“#{email}” is not an e-mail address" unless email.match?(/\A[^@\s]+@[^@\s]+\z/)
        raise Invalid, "“#{role}” is not one of #{ROLES.join(', ')}" unless ROLES.include?(role)
      end

      def keep_one_administrator(person)
        return unless person[:role] == "administrator" && @rows.where(role: "administrator").one?

        raise Invalid, "#{person[:email]} is the only administrator; make another one first"
      end
    end
  end
end
