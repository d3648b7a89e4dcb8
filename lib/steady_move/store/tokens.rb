# frozen_string_literal: true

module SteadyMove
  module Store
    # Personal tokens of programs, by digest.
    class Tokens
      def initialize(db)
        @rows = db[:tokens]
      end

      def add(row) = @rows.insert(row)
      # The newest first.
      def for_person(person_id) = @rows.where(person_id: person_id).reverse(:id).all
      def count(person_id) = @rows.where(person_id: person_id).count
      def find(id, person_id) = @rows.where(id: id, person_id: person_id).first
      def remove(id) = @rows.where(id: id).delete
      # All of a person, but for those with these ids.
      def remove_all(person_id, but: [])
        @rows.where(person_id: person_id).exclude(id: but).delete
      end

      # One that still holds, or nil.
      def holding(digest, at:)
        @rows.where(token_digest: digest).where(Sequel[:expires_at] > at.to_i).first
      end

      def used(id, at:) = @rows.where(id: id).update(used_at: at.to_i)
    end
  end
end
