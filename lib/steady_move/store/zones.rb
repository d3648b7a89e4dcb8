# frozen_string_literal: true

module SteadyMove
  module Store
    # Zones as they were fetched from the old host, one a move.
    class Zones
      def initialize(db)
        @rows = db[:kept_zones]
      end

      def put(move_id, zone, at:)
        @rows.insert_conflict(:replace).insert(
          move_id: move_id,
          text: Core::Records::ZoneWriter.write(zone),
          seen_at: at.to_i
        )
      end

      # Returns a Zone or nil.
      def of_move(move_id, origin)
        text = @rows.where(move_id: move_id).get(:text)
        text && Core::Records::ZoneReader.read(text, origin: origin)
      end
    end
  end
end
