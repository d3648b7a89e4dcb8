# frozen_string_literal: true

module SteadyMove
  module Store
    # Moves with their plans; each is folded from its journal, and kept in memory until that has
    # grown.
    class Moves
      # state is folded from the journal.
      Move =
        Struct.new(
          :id,
          :name,
          :from_account,
          :to_account,
          :plan,
          :started_at,
          :open,
          :events,
          :state,
          keyword_init: true
        ) { def underway = Underway.new(id, state.stage, plan.prepare?).freeze }
      # An open move in short. prepares: is its name only made ready?
      Underway = Struct.new(:id, :stage, :prepares)

      # The name is already being moved.
      class AlreadyMoving < StandardError
      end

      # Folded moves kept in memory; the ones that were asked for least lately go.
      KEPT = 2000
      MOST = 500
      LATELY = 200
      # A row without its plan, which is read only where a move is folded for the first time.
      SHORT = %i[id name from_account to_account started_at open last_seq].freeze

      def initialize(db, journal)
        @db = db
        @journal = journal
        @folded = {}
        @lock = Mutex.new
        @rows = db[:moves].select(*SHORT)
        @by_id = @rows.where(id: :$id).prepare(:select, :move_by_id)
        @open = @rows.where(open: true).order(:id).prepare(:select, :open_moves)
      end

      # Writes the move and the first line of its journal, both or neither; the block is given the
      # id and adds the line. Returns the new move's id; raises AlreadyMoving.
      def start(plan, at:)
        @db.transaction do
          id =
            @db[:moves].insert(
              name: plan.name,
              from_account: plan.from,
              to_account: plan.to,
              plan: Values.dump(plan.to_stored),
              started_at: at.to_i
            )
          yield id if block_given?
          id
        end
      rescue Sequel::UniqueConstraintViolation
        raise AlreadyMoving, plan.name
      end

      # Puts a plan in the place of a move's own, whose begun steps it has.
      def revise(id, plan)
        @db[:moves].where(id: id).update(plan: Values.dump(plan.to_stored))
      end

      def find(id) = load(@by_id.call(id: id)).first
      def find_all(ids) = load(@rows.where(id: ids))
      def open = load(@open.call)
      def all = load(@rows.reverse(:id))

      # Open ones in which a person has to do something by hand, or is said to have.
      def by_hand
        load(
          @rows
            .where(open: true)
            .where(Sequel.|(:by_hand, Sequel[:scheduled_seq] < :last_seq))
            .order(:id)
        )
      end

      # Open ones from or to an account.
      def at(account)
        load(
          @rows
            .where(open: true)
            .where(Sequel.|({ from_account: account }, { to_account: account }))
            .order(:id)
        )
      end

      # The last few that went from an account, over or not.
      def of_account(account) = load(@rows.where(from_account: account).reverse(:id).limit(LATELY))

      # The last few that were to go to an account and are over.
      def over_at(account)
        load(@rows.where(open: false, to_account: account).reverse(:last_seq).limit(LATELY))
      end

      # How many open moves go from or to an account.
      def resting_on(account)
        @rows
          .where(open: true)
          .where(Sequel.|({ from_account: account }, { to_account: account }))
          .count
      end

      # How many open moves carry records to or from a DNS host.
      def carried_by(host)
        of =
          %w[new_host old_host].map do |key|
            Sequel.lit("json_extract(plan, ?) = ?", "$.#{key}", host)
          end
        @rows.where(open: true).where(Sequel.|(*of)).count
      end

      # Names of open moves that carry records.
      def carrying
        host = Sequel.function(:json_extract, :plan, "$.new_host")
        @rows.where(open: true).exclude(host => nil).select_map(:name)
      end

      # The last few that are over, newest first.
      def ended(most) = load(@rows.where(open: false).reverse(:id).limit(most))
      def ended_count = @db[:moves].where(open: false).count
      def open_for(name) = load(@rows.where(name: name, open: true)).first
      def of_name(name) = load(@rows.where(name: name).reverse(:id))
      def none? = @db[:moves].empty?
      def open_count = @db[:moves].where(open: true).count

      # Newest first, at most so many, before an id; filters: open, turn, account, words in the
      # name.
      def page(before: nil, limit: 50, turn: nil, open: nil, account: nil, words: nil)
        rows = @rows.reverse(:id).limit([limit, MOST].min)
        rows = rows.where { id < before } if before
        open = true if turn # what is over is nobody's turn
        rows = rows.where({ open: open, turn: turn }.compact) unless open.nil?
        rows = rows.where(Sequel.|({ from_account: account }, { to_account: account })) if account
        rows = rows.where(Sequel[:name].like("%#{@db[:moves].escape_like(words)}%")) if words
        load(rows)
      end

      # {name => Underway} of the open moves; of those alone whose name is given.
      def stages(names = nil)
        rows = @db[:moves].where(open: true)
        rows = rows.where(name: names) if names
        late = []
        ready = Sequel.function(:json_extract, :plan, "$.options").like('%"prepare"%').as(:ready)
        columns = [:name, :id, :stage, :scheduled_seq, :last_seq, ready]
        found =
          rows
            .select_map(columns)
            .to_h do |name, id, stage, scheduled, last, only|
              late << id if scheduled < last
              [name, Underway.new(id, stage, [1, true].include?(only)).freeze]
            end
        late.each_slice(MOST) { |ids| find_all(ids).each { |m| found[m.name] = m.underway } }
        found
      end

      # {[name, account id] => account id that its last settled move to there came from}; of one
      # name where it is given.
      def came_from(name = nil)
        rows = @db[:moves].where(ending: "settled")
        rows = rows.where(name: name) if name
        rows.order(:id).select_hash(%i[name to_account], :from_account)
      end

      # Among account ids, the one that most of the last moves went to; nil where there were none.
      def usual_destination(among)
        there = @db[:moves].where(to_account: among)
        there.reverse(:id).limit(LATELY).select_map(:to_account).tally.max_by(&:last)&.first
      end

      def close(id) = @db[:moves].where(id: id).update(open: false)

      private

      # A move that was folded once stays in memory; of one whose journal has grown only the new
      # lines are read.
      def load(rows)
        list = rows.to_a
        held = @lock.synchronize { list.to_h { |r| [r[:id], touch(r[:id])] } }
        stale = list.reject { |r| held[r[:id]]&.first == [r[:last_seq], r[:open]] }
        fresh = stale.empty? ? {} : keep(fold(stale, held))
        list.map { |row| (fresh[row[:id]] || held[row[:id]]).last }
      end

      # What was asked for last stands last.
      def touch(id) = (entry = @folded.delete(id)) && (@folded[id] = entry)

      def keep(fresh)
        @lock.synchronize do
          @folded.merge!(fresh)
          @folded.shift while @folded.size > KEPT
        end
        fresh
      end

      def fold(rows, held)
        unread = rows.map { |r| r[:id] }.reject { |id| held[id] }
        read = unread.empty? ? {} : read(unread)
        rows.to_h do |row|
          before = held[row[:id]]&.last
          lines, plan = before ? grown(before) : read.fetch(row[:id])
          [row[:id], [[lines.last&.seq || 0, row[:open]], move(row, lines, plan)]]
        end
      end

      # {id => [[Event], Plan]}
      def read(ids)
        events = @journal.of_moves(ids)
        plans_of(ids).to_h { |id, plan| [id, [events.fetch(id, []).freeze, plan]] }
      end

      # What is held of a move with the lines that came since: [[Event], Plan]. A plan changes by
      # revise alone, which a line tells of.
      def grown(before)
        fresh = @journal.after(before.id, before.events.last&.seq || 0)
        changed = fresh.any? { |e| e.type == "plan-changed" }
        plan = changed ? plans_of([before.id]).fetch(before.id) : before.plan
        [(before.events + fresh).freeze, plan]
      end

      def plans_of(ids)
        @db[:moves]
          .where(id: ids)
          .select_hash(:id, :plan)
          .transform_values { |text| Core::Moves::Plans.read(Values.load(text)) }
      end

      def move(row, events, plan)
        Move.new(
          id: row[:id],
          name: row[:name],
          from_account: row[:from_account],
          to_account: row[:to_account],
          plan: plan,
          started_at: Values.time(row[:started_at]),
          open: row[:open],
          events: events,
          state: Core::Moves::State.fold(plan, events)
        ).freeze
      end
    end
  end
end
