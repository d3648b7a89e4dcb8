# frozen_string_literal: true

module SteadyMove
  module Store
    # Words that let somebody in once, by digest: invitations by address, new passwords by person.
    class OneTimeWords
      # table: :invitations (by :email) or :password_words (by :person_id).
      def initialize(db, table, key)
        @db = db
        @rows = db[table]
        @key = key
      end

      # Takes the place of what the same address or person had.
      def put(row)
        @db.transaction do
          @rows.where(@key => row.fetch(@key)).delete
          @rows.insert(row)
        end
      end

      # The row of a word that still holds, or nil.
      def find(digest, at:) = holding(at).where(token_digest: digest).first
      # Uses it up; false where somebody was quicker.
      def use(digest) = @rows.where(token_digest: digest).delete == 1
      def remove(value) = @rows.where(@key => value).delete.positive?
      def open(at:) = holding(at).order(@key).all
      # Does one of this address or person hold beyond an instant?
      def any?(value, beyond:) = holding(beyond).where(@key => value).any?

      private

      def holding(at) = @rows.where(Sequel[:expires_at] > at.to_i)
    end
  end
end
