# frozen_string_literal: true

module SteadyMove
  module Store
    # Moves with their plans, and when each of their steps is looked at next.
    class Moves
      # state is folded from the journal.
      Move = Struct.new(:id, :name, :from_account, :to_account, :plan, :started_at, :open, :events, :state, keyword_init: true)

      # The name is already being moved.
      class AlreadyMoving < StandardError; end

      # Folded moves kept in memory.
      KEPT = 2000

      def initialize(db, journal)
        @db = db
        @journal = journal
        @folded = {}
        @lock = Mutex.new
      end

      # Returns the new move's id; raises AlreadyMoving.
      def start(plan, at:)
        @db[:moves].insert(name: plan.name, from_account: plan.from, to_account: plan.to, plan: Values.dump(plan.to_h), started_at: at.to_i)
      rescue Sequel::UniqueConstraintViolation
        raise AlreadyMoving, "#{plan.name} is being moved already"
      end

      def find(id) = load(@db[:moves].where(id: id)).first
      def open = load(@db[:moves].where(open: true).order(:id))
      def all = load(@db[:moves].reverse(:id))
      # The last few that are over, newest first.
      def ended(most) = load(@db[:moves].where(open: false).reverse(:id).limit(most))
      def open_for(name) = load(@db[:moves].where(name: name, open: true)).first
      def of_name(name) = load(@db[:moves].where(name: name).reverse(:id))
      # {name => [id, stage]} of the open moves.
      def stages = open.to_h { |m| [m.name, [m.id, m.state.stage].freeze] }

      # {[name, account id] => account id that its last settled move to there came from}; of one name where it is given.
      def came_from(name = nil)
        @db[:moves].where(name ? { name: name } : true).where(id: @db[:events].where(type: "settled").select(:move_id)).order(:id)
                   .select_hash(%i[name to_account], :from_account)
      end

      # The account that most moves went to; nil where there were none.
      def usual_destination = @db[:moves].group(:to_account).order(Sequel.desc(Sequel.function(:count).*)).get(:to_account)

      def close(id) = @db[:moves].where(id: id).update(open: false)

      # Takes a due step for `seconds`, so that no other runner does it; false where it isn't due or is held.
      def take(id, step, now:, holder:, seconds: 120)
        @db[:looks].insert_conflict.insert(move_id: id, step: step, due_at: now.to_i)
        @db[:looks].where(move_id: id, step: step).where { due_at <= now.to_i }
                   .where(Sequel.|({ held_until: nil }, Sequel[:held_until] <= now.to_i, { held_by: holder }))
                   .update(held_by: holder, held_until: now.to_i + seconds) == 1
      end

      # Lets a step go and says when it is due again; attempts counts refusals and silences in a row.
      def look_again(id, step, at:, attempts: 0)
        @db[:looks].where(move_id: id, step: step).update(due_at: at.to_i, attempts: attempts, held_by: nil, held_until: nil)
      end

      def attempts(id, step) = @db[:looks].where(move_id: id, step: step).get(:attempts) || 0
      def due_now(id, at:) = @db[:looks].where(move_id: id).where { due_at > at.to_i }.update(due_at: at.to_i)

      # When, after an instant, the next step of an open move may be taken: due, and let go by whoever held it.
      def next_look(after:)
        free = Sequel.function(:max, :due_at, Sequel.function(:coalesce, :held_until, 0))
        Values.time(@db[:looks].join(:moves, { id: :move_id }).where(open: true).where { free > after.to_i }.min(free))
      end

      # Is a step just now in another runner's hands?
      def held_by_others?(holder, now:) = @db[:looks].exclude(held_by: holder).where { held_until > now.to_i }.any?

      # Does this runner still hold the step? A result that comes after the hold has ended is not written down.
      def holds?(id, step, holder) = @db[:looks].where(move_id: id, step: step, held_by: holder).any?

      # {[move id, step] => Time} of all steps waiting.
      def looks = @db[:looks].all.to_h { |r| [[r[:move_id], r[:step]], Values.time(r[:due_at])] }

      # Forgets the schedule of steps that are done, also what a kill between proof and tidying up left behind.
      def forget(id, steps) = @db[:looks].where(move_id: id, step: steps).delete

      private

      # A move that was folded once stays in memory until its journal has grown.
      def load(rows)
        list = rows.all
        last = @journal.last_of_moves(list.map { |r| r[:id] })
        held = @lock.synchronize { @folded.slice(*list.map { |r| r[:id] }) }
        stale = list.reject { |r| held[r[:id]]&.first == [last[r[:id]], r[:open]] }
        fresh = fold(stale, last)
        list.map { |row| (fresh[row[:id]] || held[row[:id]]).last }
      end

      def fold(rows, last)
        return {} if rows.empty?

        events = @journal.of_moves(rows.map { |r| r[:id] })
        fresh = rows.to_h do |row|
          mine = events.fetch(row[:id], [])
          [row[:id], [[mine.last&.seq || last[row[:id]], row[:open]], move(row, mine)]]
        end
        @lock.synchronize do
          @folded = {} if @folded.size + fresh.size > KEPT
          @folded = @folded.merge(fresh)
        end
        fresh
      end

      def move(row, events)
        plan = plan_of(Values.load(row[:plan]))
        Move.new(**row, plan: plan, started_at: Values.time(row[:started_at]), events: events,
                        state: Core::Moves::State.fold(plan, events)).freeze
      end

      def plan_of(map)
        Core::Moves::Plan.new(**map.transform_keys(&:to_sym), options: map["options"].map(&:to_sym),
                              words: map["words"].transform_keys(&:to_sym)).freeze
      end
    end
  end
end
