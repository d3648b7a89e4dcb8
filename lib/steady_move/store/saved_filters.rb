# frozen_string_literal: true

module SteadyMove
  module Store
    # Filters of the list of names that were kept under a name: a person's own, and the team's.
    class SavedFilters
      # person_id: whose it is, nil for the team's; filters: as they stand in the list's address;
      # by: who kept it.
      Filter = Struct.new(:id, :person_id, :title, :filters, :by, keyword_init: true)

      def initialize(db)
        @db = db
        @rows = db[:saved_filters]
      end

      # [Filter] of a person, or with nil of the team, by title.
      def of(person_id)
        @rows.where(person_id: person_id).order(:title).map { |row| Filter.new(**row) }
      end

      # In the place of the one that was called so.
      def keep(person_id, title, filters, by:)
        @db.transaction do
          forget(person_id, title)
          @rows.insert(person_id: person_id, title: title, filters: filters, by: by)
        end
      end

      # Returns whether there was one.
      def forget(person_id, title) = @rows.where(person_id: person_id, title: title).delete == 1
    end
  end
end
