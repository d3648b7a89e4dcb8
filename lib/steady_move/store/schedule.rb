# frozen_string_literal: true

module SteadyMove
  module Store
    # When each active step of a move is due, and who holds it just now. Due work is asked for, not
    # searched for.
    class Schedule
      # A step that is due.
      Due = Struct.new(:move_id, :step, keyword_init: true)
      # Seconds that a step may be in one runner's hands.
      HOLD = 120
      MOST = 2000

      def initialize(db)
        @db = db
        @looks = db[:looks]
        prepare(one = @looks.where(move_id: :$id, step: :$step))
        @held = one.where(held_by: :$holder).prepare(:select, :held_look)
        @of_move =
          @looks.where(move_id: :$id).select(:step, :due_at).prepare(:select, :looks_of_move)
        @standing =
          db[:moves]
            .where(id: :$id)
            .select(:scheduled_seq, :last_seq, :open)
            .prepare(:select, :standing)
      end

      # Ids of moves whose journal has grown since they were last scheduled.
      def stirred
        @db[:moves]
          .where(Sequel[:scheduled_seq] < :last_seq)
          .order(:scheduled_seq)
          .limit(MOST)
          .select_map(:id)
      end

      # Sees to it that just the active steps of a move are scheduled; at once where something was
      # said or came by mail.
      # move: Store::Moves::Move as it is now. Returns whether it has ended with that.
      def sync(move, now:)
        @db.transaction do
          row = @standing.call(id: move.id).first or next false
          seq = row[:scheduled_seq]
          keep_active(move, now)
          wake(move.id, now) if stirring?(move.events, seq)
          ended = row[:open] && !move.state.open?
          mark(move, row[:last_seq] == last_of(move) ? row[:last_seq] : seq, ended)
          ended
        end
      end

      # Steps that are due and in nobody's hands; also those that were set when the clock stood
      # later than now.
      def due(now:)
        at = now.to_i
        free =
          Sequel.|({ held_until: nil }, Sequel[:held_until] <= at, Sequel[:held_until] > at + HOLD)
        [
          @looks.where { due_at <= at }.order(:due_at),
          @looks.where { set_at > at }.order(:set_at)
        ].flat_map { |rows| rows.where(free).limit(MOST).select_map(%i[move_id step]) }
          .uniq
          .map { |id, step| Due.new(move_id: id, step: step).freeze }
      end

      # Takes a due step, so that no other runner does it; false where it isn't due or is held.
      def take(id, step, now:, holder:)
        at = now.to_i
        @take.call(id: id, step: step, at: at, most: at + HOLD, holder: holder) == 1
      end

      # Lets a step go and says when it is due again; attempts counts refusals and silences in a
      # row.
      def look_again(id, step, at:, now:, attempts: 0)
        @look_again.call(id: id, step: step, due: at.to_i, now: now.to_i, attempts: attempts)
      end

      def attempts(id, step) = @looks.where(move_id: id, step: step).get(:attempts) || 0

      # Forgets a step that is not active; it comes again when it is.
      def drop(id, step) = @looks.where(move_id: id, step: step).delete

      # Makes every waiting step of a move due.
      def wake(id, now)
        @looks
          .where(move_id: id)
          .where { due_at > now.to_i }
          .update(due_at: now.to_i, set_at: now.to_i)
      end

      # After a start: moves whose last line tells of something begun are looked at at once.
      def wake_interrupted(now)
        cut =
          @db[:events]
            .where(type: Core::Moves::Event::STIRRING + ["intended"])
            .where(seq: @db[:moves].where(open: true).select(:last_seq))
            .select_map(:move_id)
        cut.each { |id| wake(id, now) }
      end

      # When, after an instant, the next step may be taken: due, and let go by whoever held it.
      def next_look(after:)
        at = after.to_i
        waiting =
          @looks
            .where { due_at > at }
            .where(Sequel.|({ held_until: nil }, Sequel[:held_until] <= :due_at))
            .min(:due_at)
        held =
          @looks
            .where { held_until > at }
            .select_map(%i[due_at held_until])
            .map(&:max)
            .select { |t| t > at }
            .min
        Values.time([waiting, held].compact.min)
      end

      # How many steps are due and not done, and since when the oldest is: [count, Time or nil].
      def overdue(now:)
        late = @looks.where(Sequel[:due_at] < now.to_i)
        [late.count, Values.time(late.min(:due_at))]
      end

      # Is a step just now in another runner's hands?
      def held_by_others?(holder, now:)
        at = now.to_i
        @looks.where { (held_until > at) & (held_until <= at + HOLD) }.exclude(held_by: holder).any?
      end

      # Does this runner hold the step, and for how long yet? A result that comes after the hold has
      # ended is not written down.
      def holds?(id, step, holder, now: nil)
        @held
          .call(id: id, step: step, holder: holder)
          .any? { |row| now.nil? || row[:held_until] > now.to_i }
      end

      # {step => Time} of a move's waiting steps; {[move id, step] => Time} of several.
      def looks_of(id)
        @looks
          .where(move_id: id)
          .select_hash(:step, :due_at)
          .transform_values { |at| Values.time(at) }
      end

      def looks(ids = nil)
        rows = ids ? @looks.where(move_id: ids) : @looks
        rows
          .select_map(%i[move_id step due_at])
          .to_h { |id, step, at| [[id, step], Values.time(at)] }
      end

      private

      # one: the row of one step, by id and step.
      def prepare(one)
        due = Sequel.|(Sequel[:due_at] <= :$at, Sequel[:set_at] > :$at)
        free =
          Sequel.|(
            { held_until: nil },
            Sequel[:held_until] <= :$at,
            Sequel[:held_until] > :$most,
            { held_by: :$holder }
          )
        @take =
          one
            .where(due)
            .where(free)
            .prepare(:update, :take_step, held_by: :$holder, held_until: :$most)
        @look_again =
          one.prepare(
            :update,
            :look_again,
            due_at: :$due,
            set_at: :$now,
            attempts: :$attempts,
            held_by: nil,
            held_until: nil
          )
      end

      def last_of(move) = move.events.last&.seq || 0

      # A step that has to be done anew later keeps the pause that it was given.
      def keep_active(move, now)
        there = @of_move.call(id: move.id).to_h { |r| r.values_at(:step, :due_at) }
        active = move.state.open? ? move.state.active.map { |s| s.step.id } : []
        gone = (there.keys - active).reject { |id| paused?(move.state, id, there[id], now) }
        @looks.where(move_id: move.id, step: gone).delete if gone.any?
        rows =
          (active - there.keys).map do |s|
            { move_id: move.id, step: s, due_at: now.to_i, set_at: now.to_i }
          end
        @looks.insert_conflict.multi_insert(rows) if rows.any?
      end

      def paused?(state, id, due_at, now)
        state.open? && due_at > now.to_i && state[id]&.phase == "ahead"
      end

      # Does a line after one, said by a person or come by mail, make the move's steps due?
      def stirring?(events, seq)
        events
          .reverse_each
          .take_while { |e| e.seq > seq }
          .any? { |event| Core::Moves::Event::STIRRING.include?(event.type) || event.counts? }
      end

      def mark(move, seq, ended)
        state = move.state
        hand = state.active.any? { |s| s.step.by_hand? || s.step.trait?(:consent) }
        change = {
          scheduled_seq: seq,
          stage: state.stage,
          turn: state.open? ? state.turn : nil,
          by_hand: hand
        }
        change[:open] = false if ended
        @db[:moves].where(id: move.id).update(change)
      end
    end
  end
end
