# frozen_string_literal: true

module SteadyMove
  module Store
    # When names were last looked at by themselves, and documents fetched from outside that are
    # kept.
    class Watches
      def initialize(db)
        @db = db
      end

      # Names that were not looked at since an instant: rows of names, first those of `soon`, which
      # are due after `sooner` already; then those that waited longest. Whoever was tried in vain
      # after `tried` has to wait.
      def due(since:, most:, soon: [], sooner: since, tried: since)
        at = told(:looked_at)
        early = { Sequel[:names][:name] => soon }
        due = Sequel.|(at <= since.to_i, Sequel.&(early, at <= sooner.to_i))
        @db[:names]
          .left_join(:watches, name: :name)
          .select_all(:names)
          .where(due)
          .where(told(:tried_at) <= tried.to_i)
          .order(Sequel.case({ early => 0 }, 1), at, Sequel[:names][:name])
          .limit(most)
          .all
      end

      def looked(name, at:)
        @db[:watches].insert_conflict(:replace).insert(name: name, looked_at: at.to_i)
      end

      # Nobody answered: it does not count as looked at.
      def tried(name, at:)
        @db[:watches].insert_conflict(target: :name, update: { tried_at: at.to_i }).insert(
          name: name,
          looked_at: 0,
          tried_at: at.to_i
        )
      end

      # Its next look is due at once.
      def look_soon(name) = looked(name, at: Time.at(0))

      # A kept document: [text, Time], or nil.
      def document(key)
        row = @db[:kept_documents].where(key: key).first
        row && [row[:text], Values.time(row[:fetched_at])]
      end

      def keep(key, text, at:)
        @db[:kept_documents].insert_conflict(:replace).insert(
          key: key,
          text: text,
          fetched_at: at.to_i
        )
      end

      def drop(key) = @db[:kept_documents].where(key: key).delete

      private

      # An instant of the last look, 0 where there was none.
      def told(column) = Sequel.function(:coalesce, Sequel[:watches][column], 0)
    end
  end
end
