# frozen_string_literal: true

module SteadyMove
  module Store
    # Authorization codes, sealed. States: held, then checked or rejected; proposed: it came later
    # and differs from the one that is held, both stay until somebody chooses; wiped codes keep
    # their row without content.
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

      # A later code beside the one that is held; sent_by: whoever sent it. Of two the newer stays.
      def propose(name, code, at:, sent_by:)
        @db.transaction do
          drop_proposed(name)
          @db[:codes].insert(
            name: name,
            sealed: @safe.seal(code),
            state: "proposed",
            received_at: at.to_i,
            sent_by: sent_by
          )
        end
      end

      # Rows of those that somebody has to choose about: name, received_at, sent_by; of one name
      # where it is given.
      def proposed(name = nil)
        rows = @db[:codes].where(state: "proposed")
        rows = rows.where(name: name) if name
        rows.order(:name).select(:name, :received_at, :sent_by).all
      end

      # The later code takes the place of the one that was held: that one is wiped. Returns whether
      # there was one.
      def take_proposed(name)
        @db.transaction do
          proposed = @db[:codes].where(name: name, state: "proposed")
          sealed, at = proposed.get(%i[sealed received_at])
          next false unless sealed

          code = @safe.open(sealed)
          move = live(name).exclude(move_id: nil).reverse(:id).get(:move_id)
          drop_proposed(name)
          move ? put(move, name, code, at: at) : keep(name, code, at: at)
          true
        end
      end

      # The one that was held stays. Returns how many were dropped.
      def drop_proposed(name)
        @db[:codes].where(name: name, state: "proposed").update(sealed: nil, state: "wiped")
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
          .exclude(state: "proposed")
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

      # All of a name, what was proposed as well. Returns how many of them were held.
      def wipe(name)
        @db.transaction do
          drop_proposed(name)
          live(name).update(sealed: nil, state: "wiped")
        end
      end

      # The move's code in the clear, or nil.
      def of_move(move_id)
        sealed = live_of(move_id).get(:sealed)
        sealed && @safe.open(sealed)
      end

      # {name => [seconds when its live code came, state]}; of one name where it is given.
      def held(name = nil)
        rows = @db[:codes].exclude(state: "wiped").exclude(state: "proposed")
        rows = rows.where(name: name) if name
        rows
          .order(:name, :id)
          .select_map(%i[name received_at state])
          .to_h { |n, at, state| [n, [at, state]] }
      end

      # Is there one that the registry has not rejected and that is younger than it may live
      # (seconds; nil: it is not known how long)?
      def usable?(name, at:, lives: nil)
        received, state = held(name)[name]
        !received.nil? && state != "rejected" && (lives.nil? || received > at.to_i - lives)
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

      def live(name)
        @db[:codes].where(name: name).exclude(state: "wiped").exclude(state: "proposed")
      end

      def live_of(move_id) = @db[:codes].where(move_id: move_id).exclude(state: "wiped")
    end
  end
end
