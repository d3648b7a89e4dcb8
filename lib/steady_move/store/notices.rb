# frozen_string_literal: true

module SteadyMove
  module Store
    # Which notices a person wants, and what each was told last.
    class Notices
      NEVER = "never"

      def initialize(db)
        @rows = db[:notices]
      end

      def for_person(person_id) = @rows.where(person_id: person_id).first
      def choose(person_id, choice, hour)
        chosen = { choice: choice, hour: hour }
        @rows.insert_conflict(target: :person_id, update: chosen).insert(
          person_id: person_id,
          **chosen
        )
      end

      # Rows of everybody who wants some.
      def wanted = @rows.exclude(choice: NEVER).all
      # keys: of everything that the person knows of now.
      def told(person_id, keys) =
        @rows.where(person_id: person_id).update(told: JSON.generate(keys))
      def sent(person_id, at:) = @rows.where(person_id: person_id).update(sent_at: at.to_i)
    end
  end
end
