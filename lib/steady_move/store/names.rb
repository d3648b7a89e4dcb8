# frozen_string_literal: true

module SteadyMove
  module Store
    # Names held and the facts about them; the newest fact per name, key and source is kept.
    class Names
      Fact = Core::Readiness::Fact

      def initialize(db)
        @db = db
      end

      # Takes a DomainName in, or moves it to another account.
      def put(name, account_id, at:)
        @db[:names].insert_conflict(target: :name, update: { account_id: account_id })
                   .insert(name: name.ascii, unicode: name.unicode, account_id: account_id, taken_at: at.to_i)
      end

      def all = @db[:names].order(:name).all
      def find(name) = @db[:names].where(name: name).first

      def learn(name, facts)
        rows = facts.map { |f| { name: name, key: f.key.to_s, source: f.source.to_s, value: Values.dump(f.value), seen_at: f.seen_at.to_i, ref: f.ref } }
        @db[:facts].insert_conflict(:replace).multi_insert(rows)
      end

      # Forgets what one source said, e.g. an account that no longer holds the name.
      def forget(name, source) = @db[:facts].where(name: name, source: source.to_s).delete

      # Facts about one name.
      def facts(name) = Core::Readiness::Facts.new(@db[:facts].where(name: name).map { |r| fact(r) })

      # {name => Facts} for all names in two queries.
      def facts_of_all
        @db[:facts].all.group_by { |r| r[:name] }.transform_values { |rows| Core::Readiness::Facts.new(rows.map { |r| fact(r) }) }
      end

      private

      def fact(row)
        Fact.new(key: row[:key].to_sym, value: Values.load(row[:value]), source: row[:source].to_sym,
                 seen_at: Values.time(row[:seen_at]), ref: row[:ref]).freeze
      end
    end
  end
end
