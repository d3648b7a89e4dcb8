# frozen_string_literal: true

module SteadyMove
  module Store
    # Who is signed in where: a row a session, known by a digest.
    class Sessions
      def initialize(db)
        @rows = db[:sessions]
      end

      def add(row) = @rows.insert(row)
      # One that began and was used after these instants (seconds), or nil.
      def find(person_id, digest, living) =
        alive(living).where(person_id: person_id, digest: digest).first
      # The latest used first.
      def for_person(person_id, living)
        alive(living).where(person_id: person_id).reverse(:seen_at, :id).all
      end

      def confirm(person_id, digest, at)
        @rows.where(person_id: person_id, digest: digest).update(confirmed_at: at)
      end

      def touch(id, seen_at) = @rows.where(id: id).update(seen_at: seen_at)
      def finish(person_id, **which) = @rows.where(person_id: person_id, **which).delete
      def finish_all(person_id, but: nil)
        mine = @rows.where(person_id: person_id)
        (but ? mine.exclude(digest: but) : mine).delete
      end

      # Those that ended by themselves.
      def sweep(living)
        began, seen = living
        @rows.where(Sequel[:began_at] <= began).or(Sequel[:seen_at] <= seen).delete
      end

      private

      # living: [began after, used after].
      def alive(living)
        began, seen = living
        @rows.where(Sequel[:began_at] > began).where(Sequel[:seen_at] > seen)
      end
    end
  end
end
