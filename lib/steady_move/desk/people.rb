# frozen_string_literal: true

require "bcrypt"

module SteadyMove
  module Desk
    # Those who may sign in. Roles rise: each may do all that the ones before it may.
    class People
      ROLES = %w[viewer mover approver administrator].freeze
      LEAST = 10

      # The address, password or role won't do; says why.
      class Invalid < StandardError; end

      def initialize(app, cost: BCrypt::Engine::DEFAULT_COST)
        @app = app
        @rows = app.db[:people]
        @cost = cost
      end

      # Adds a person, or gives an existing one this password and role. Raises Invalid.
      def put(email, password, role:)
        raise Invalid, "“#{email}” is not an e-mail address" unless email.match?(/\A[^@\s]+@[^@\s]+\z/)
        raise Invalid, "the password needs at least #{LEAST} characters" if password.length < LEAST
        raise Invalid, "“#{role}” is not one of #{ROLES.join(', ')}" unless ROLES.include?(role)

        hash = BCrypt::Password.create(password, cost: @cost)
        @rows.insert_conflict(target: :email, update: { password_hash: hash, role: role })
             .insert(email: email.downcase, password_hash: hash, role: role, created_at: @app.now.to_i)
      end

      def any? = @rows.any?
      def find(id) = @rows.where(id: id).first

      # May a role do what needs `least`?
      def self.may?(role, least) = ROLES.index(role).to_i >= ROLES.index(least)
    end
  end
end
