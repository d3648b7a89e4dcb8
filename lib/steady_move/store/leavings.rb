# frozen_string_literal: true

module SteadyMove
  module Store
    # What a person settled of what is left at an old account, by move and key.
    class Leavings
      def initialize(db)
        @db = db
        @rows = db[:left_behind]
      end

      # {key => row} of a move.
      def for_move(move_id) = @rows.where(move_id: move_id).to_hash(:key)
      # {move id => {key => row}} of several.
      def of_all(move_ids)
        @rows
          .where(move_id: move_ids)
          .all
          .group_by { |r| r[:move_id] }
          .transform_values { |rows| rows.to_h { |r| [r[:key], r] } }
      end

      def settle(move_id, key, row)
        @rows.insert_conflict(target: %i[move_id key], update: row).insert(
          move_id: move_id,
          key: key,
          **row
        )
      end
    end
  end
end
