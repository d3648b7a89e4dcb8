# frozen_string_literal: true

module SteadyMove
  module Store
    # The code safe: authorization codes, sealed; and zones as they were fetched.
    class Keepings
      def initialize(db, safe)
        @db = db
        @safe = safe
      end

      # state: held, then checked; wiped codes keep their row without content.
      def put_code(move_id, name, code, at:)
        wipe_codes(move_id)
        @db[:codes].insert(move_id: move_id, name: name, sealed: @safe.seal(code), state: "held", received_at: at.to_i)
      end

      # A code for a name that no move has been begun for; state: held, or rejected by the registry.
      def keep_code(name, code, at:, state: "held")
        @db[:codes].where(name: name, move_id: nil).exclude(state: "wiped").update(sealed: nil, state: "wiped")
        @db[:codes].insert(name: name, sealed: @safe.seal(code), state: state, received_at: at.to_i)
      end

      # Rows of all live codes: name, state, received_at, move_id.
      def live_codes = @db[:codes].exclude(state: "wiped").order(:name, :id).select(:name, :state, :received_at, :move_id).all

      # The newest live code of a name in the clear, or nil.
      def newest_code(name)
        sealed = of_name(name).reverse(:id).get(:sealed)
        sealed && @safe.open(sealed)
      end

      # Takes the code that was kept for a name, and not rejected, out of the safe's free part: in the clear, or nil; at most so old (seconds).
      def take_kept(name, at:, lives: nil)
        rows = of_name(name).where(move_id: nil).exclude(state: "rejected")
        rows = rows.where { received_at > at.to_i - lives } if lives
        sealed = rows.reverse(:id).get(:sealed) or return
        of_name(name).where(move_id: nil).update(sealed: nil, state: "wiped")
        @safe.open(sealed)
      end

      def mark(name, state) = of_name(name).update(state: state)
      def wipe_name(name) = of_name(name).update(sealed: nil, state: "wiped")

      # The move's code in the clear, or nil.
      def code(move_id)
        sealed = live(move_id).get(:sealed)
        sealed && @safe.open(sealed)
      end

      # {name => [seconds when its live code came, state]}; of one name where it is given.
      def held(name = nil) = @db[:codes].exclude(state: "wiped").where(name ? { name: name } : true).order(:id).select_map(%i[name received_at state]).to_h { |name, at, state| [name, [at, state]] }

      def code_state(move_id) = @db[:codes].where(move_id: move_id).reverse(:id).get(:state)
      def checked(move_id) = live(move_id).update(state: "checked")
      def wipe_codes(move_id) = live(move_id).update(sealed: nil, state: "wiped")

      def put_zone(move_id, side, zone, at:)
        @db[:zones].insert_conflict(:replace).insert(move_id: move_id, side: side, text: Core::Records::ZoneWriter.write(zone), seen_at: at.to_i)
      end

      # side: old or new. Returns a Zone or nil.
      def zone(move_id, side, origin)
        text = @db[:zones].where(move_id: move_id, side: side).get(:text)
        text && Core::Records::ZoneReader.read(text, origin: origin)
      end

      private

      def of_name(name) = @db[:codes].where(name: name).exclude(state: "wiped")
      def live(move_id) = @db[:codes].where(move_id: move_id).exclude(state: "wiped")
    end
  end
end
