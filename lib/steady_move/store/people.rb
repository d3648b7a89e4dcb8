# frozen_string_literal: true

module SteadyMove
  module Store
    # Those who may sign in: a row each. What goes with a person goes with the row.
    class People
      # Tables of what is sent to a person, and of the ways in.
      OWN = %i[tokens calendars notices saved_filters].freeze
      # What the list shows.
      SHOWN = %i[id email role spending_limit].freeze

      def initialize(db)
        @db = db
        @rows = db[:people]
      end

      # Raises Sequel::UniqueConstraintViolation where the address is here already.
      def add(email, hash, role:, at:)
        @rows.insert(email: email.downcase, password_hash: hash, role: role, created_at: at.to_i)
      end

      def find(id) = @rows.where(id: id).first
      def by_email(email) = @rows.where(email: email.to_s.downcase).first
      def empty? = @rows.empty?
      # By address, without hashes.
      def all = @rows.order(:email).select(*SHOWN).all
      # Addresses of everybody with one of these roles.
      def emails(roles) = @rows.where(role: roles).order(:email).select_map(:email)
      def count(role) = @rows.where(role: role).count
      # Are there password hashes of the kind that begins so?
      def hashes?(beginning) = @rows.where(Sequel.like(:password_hash, "#{beginning}%")).any?
      def set_hash(id, hash) = @rows.where(id: id).update(password_hash: hash)
      def set_role(id, role) = @rows.where(id: id).update(role: role)
      # A spending limit as a Core::Money::Amount, nil where the person has none.
      def limit(email)
        text = @rows.where(email: email.to_s.downcase).get(:spending_limit)
        text && Core::Money::Amount.of(Values.load(text))
      end

      # limit: a Core::Money::Amount, or nil for none.
      def set_limit(id, limit)
        @rows.where(id: id).update(spending_limit: limit && Values.dump(limit.to_stored))
      end

      # How a person looks at lists (Hash), {} where nothing was chosen.
      def views(id) = Values.load(@rows.where(id: id).get(:views) || "{}")
      def keep_views(id, views) = @rows.where(id: id).update(views: Values.dump(views))

      def remove(id)
        OWN.each { |table| @db[table].where(person_id: id).delete }
        @rows.where(id: id).delete
      end
    end
  end
end
