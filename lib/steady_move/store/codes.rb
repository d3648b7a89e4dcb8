# frozen_string_literal: true

module SteadyMove
  module Store
    # Authorization codes, sealed. States: held, then checked or rejected; wiped codes keep their
    # row without content.
    class Codes
      def initialize(db, safe)
        @db = db
        @safe = safe
      end

      # A move's own code; the one before is wiped.
      def put(move_id, name, code, at:)
        @db.transaction do
          wipe_of_move(move_id)
          @db[:codes].insert(
            move_id: move_id,
            name: name,
            sealed: @safe.seal(code),
            state: "held",
            received_at: at.to_i
          )
        end
      end

      # A code for a name that no move has been begun for; state: held, or rejected by the registry.
      def keep(name, code, at:, state: "held")
        @db.transaction do
          live(name).where(move_id: nil).update(sealed: nil, state: "wiped")
          @db[:codes].insert(
            name: name,
            sealed: @safe.seal(code),
            state: state,
            received_at: at.to_i
          )
        end
      end

      # Gives a kept code that was not rejected, and is at most so old (seconds), to a move. Returns
      # whether there was one.
      def take_for(move_id, name, at:, lives: nil)
        @db.transaction do
          code = take_kept(name, at: at, lives: lives)
          put(move_id, name, code, at: at) if code
          !code.nil?
        end
      end

      # Rows of all live codes: name, state, received_at, move_id.
      def all_live
        @db[:codes]
          .exclude(state: "wiped")
          .order(:name, :id)
          .select(:name, :state, :received_at, :move_id)
          .all
      end

      # The newest live code of a name in the clear, or nil.
      def newest(name)
        sealed = live(name).reverse(:id).get(:sealed)
        sealed && @safe.open(sealed)
      end

      def mark(name, state) = live(name).update(state: state)
      def wipe(name) = live(name).update(sealed: nil, state: "wiped")

      # The move's code in the clear, or nil.
      def of_move(move_id)
        sealed = live_of(move_id).get(:sealed)
        sealed && @safe.open(sealed)
      end

      # {name => [seconds when its live code came, state]}; of one name where it is given.
      def held(name = nil)
        rows = @db[:codes].exclude(state: "wiped")
        rows = rows.where(name: name) if name
        rows
          .order(:name, :id)
          .select_map(%i[name received_at state])
          .to_h { |n, at, state| [n, [at, state]] }
      end

      def state_of(move_id) = @db[:codes].where(move_id: move_id).reverse(:id).get(:state)
      def checked(move_id) = live_of(move_id).update(state: "checked")
      # A move's code stays in the safe for another move of the name.
      def let_go(move_id) = live_of(move_id).update(move_id: nil)
      def wipe_of_move(move_id) = live_of(move_id).update(sealed: nil, state: "wiped")

      private

      def take_kept(name, at:, lives:)
        rows = live(name).where(move_id: nil).exclude(state: "rejected")
        rows = rows.where { received_at > at.to_i - lives } if lives
        sealed = rows.reverse(:id).get(:sealed) or return
        live(name).where(move_id: nil).update(sealed: nil, state: "wiped")
        @safe.open(sealed)
      end

      def live(name) = @db[:codes].where(name: name).exclude(state: "wiped")
      def live_of(move_id) = @db[:codes].where(move_id: move_id).exclude(state: "wiped")
    end
  end
end
