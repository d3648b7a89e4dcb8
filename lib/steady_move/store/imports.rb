# frozen_string_literal: true

module SteadyMove
  module Store
    # Imports of names: a row for each name, with what is still to be done of it, so that it goes on
    # after a restart, and what it takes to undo it.
    class Imports
      # accounts: ids that were made for it; finished_at, undone_at: Time or nil.
      Import =
        Struct.new(
          :id,
          :at,
          :by,
          :accounts,
          :finished_at,
          :undone_at,
          :undone_by,
          keyword_init: true
        )
      # What is to become of one name. notes: {key => note}; clears: keys whose note is taken back.
      Wish = Struct.new(:name, :account, :notes, :clears, :place, keyword_init: true)
      # How far it is: of so many names kept, added to the list, held before, looked up, and those
      # that went off it again: [[name, sentence]].
      Far = Struct.new(:of, :kept, :added, :updated, :looked, :refused, keyword_init: true)

      def initialize(db)
        @db = db
        @imports = db[:imports]
        @rows = db[:import_rows]
        @claimed = Set.new
        @monitor = Monitor.new
      end

      # wishes: [Wish] without places. Returns the id.
      def add(at:, by:, accounts:, wishes:)
        @db.transaction do
          id = @imports.insert(at: at.to_i, by: by, accounts: JSON.generate(accounts))
          columns = %i[import_id place name account_id notes clears]
          rows =
            wishes.each_with_index.map do |wish, place|
              lists = [wish.notes, wish.clears].map { |list| JSON.generate(list) }
              [id, place, wish.name, wish.account, *lists]
            end
          @rows.import(columns, rows, slice: 500)
          @monitor.synchronize { open << id }
          id
        end
      end

      # Import, or nil.
      def find(id)
        row = @imports.where(id: id).first or return
        times = %i[at finished_at undone_at].to_h { |key| [key, Values.time(row[key])] }
        Import.new(**row, **times, accounts: JSON.parse(row[:accounts]))
      end

      # The last ones, newest first: [Import].
      def last(most) = @imports.reverse(:id).limit(most).select_map(:id).map { |id| find(id) }

      # [Wish] that nothing was done of, at most so many.
      def waiting(id, most)
        of(id, fate: nil)
          .order(:place)
          .limit(most)
          .map do |row|
            Wish.new(
              name: row[:name],
              account: row[:account_id],
              notes: JSON.parse(row[:notes]),
              clears: JSON.parse(row[:clears]),
              place: row[:place]
            )
          end
      end

      # before: {key => note or nil} of a name that was held; nil where it was added.
      def kept(id, place, before)
        of(id, place: place).update(
          fate: before ? "updated" : "added",
          before: before && Values.dump(before)
        )
      end

      # The next name that was added and is not looked up yet: [place, name]; nil where so many are.
      def next_unlooked(id, most)
        added = of(id, fate: "added")
        return if added.where(looked: true).count >= most

        added.where(looked: false).order(:place).get(%i[place name])
      end

      def looked(id, place, refused) = of(id, place: place).update(looked: true, refused: refused)

      def finish(id, at:)
        @imports.where(id: id).update(finished_at: at.to_i)
        @monitor.synchronize { open.delete(id) }
      end

      def undo(id, at:, by:)
        @imports.where(id: id).update(undone_at: at.to_i, undone_by: by)
      end

      # Far.
      def far(id)
        fates = of(id).group_and_count(:fate).as_hash(:fate, :count)
        Far.new(
          of: fates.values.sum,
          kept: fates.values.sum - fates.fetch(nil, 0),
          added: fates.fetch("added", 0),
          updated: fates.fetch("updated", 0),
          looked: of(id, looked: true).count,
          refused: of(id).exclude(refused: nil).order(:place).select_map(%i[name refused])
        )
      end

      # Names that it added, at most so many.
      def added(id, most: nil)
        of(id, fate: "added").order(:place).limit(most).select_map(:name)
      end

      # [[name, {key => note or nil}]] of those that were held before.
      def before(id)
        of(id, fate: "updated")
          .order(:place)
          .select_map(%i[name before])
          .map { |name, text| [name, Values.load(text)] }
      end

      # How many of those that it added an outside source has told something of.
      def told(id)
        told = @db[:sightings].where(source: Names::TELLING).select(:name)
        of(id, fate: "added", name: told).count
      end

      # Ids of those that somebody has to go on with, and nobody in this process does. Asked often,
      # so it is known and not looked up.
      def unfinished = @monitor.synchronize { (open - @claimed).sort }

      # Runs the block unless it runs for this import already.
      def alone(id)
        return unless @monitor.synchronize { @claimed.add?(id) }

        begin
          yield
        ensure
          @monitor.synchronize { @claimed.delete(id) }
        end
      end

      private

      # Ids without an end: what an earlier process left, and what was begun here.
      def open = @open ||= @imports.where(finished_at: nil).select_map(:id).to_set

      def of(id, **which) = @rows.where(import_id: id, **which)
    end
  end
end
