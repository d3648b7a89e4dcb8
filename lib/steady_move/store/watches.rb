# frozen_string_literal: true

module SteadyMove
  module Store
    # When names were last looked at by themselves, and documents fetched from outside that are
    # kept.
    class Watches
      def initialize(db)
        @db = db
      end

      # Names that were not looked at since an instant, those that waited longest first: rows of
      # names. soon: names that are due after `sooner` already.
      def due(since:, most:, soon: [], sooner: since)
        looked = @db[:names].left_join(:watches, name: :name).select_all(:names)
        at = Sequel.function(:coalesce, Sequel[:watches][:looked_at], 0)
        old = at <= since.to_i
        early = Sequel.&(Sequel[:names][:name] => soon) & (at <= sooner.to_i)
        looked
          .where(soon.empty? ? old : Sequel.|(old, early))
          .order(at, Sequel[:names][:name])
          .limit(most)
          .all
      end

      def looked(name, at:)
        @db[:watches].insert_conflict(:replace).insert(name: name, looked_at: at.to_i)
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
    end
  end
end
