# frozen_string_literal: true

module SteadyMove
  module Store
    # Transfers of held names that nobody here ordered, as they were heard of.
    class Strays
      Stray = Struct.new(:name, :account_id, :source, :because, :requested_by, :seen_at, :deadline, :settled,
        :settled_at,
        keyword_init: true)

      def initialize(db)
        @rows = db[:strays]
      end

      # Those that concern somebody, the next deadline first.
      def open = @rows.where(settled: nil).order(Sequel.function(:coalesce, :deadline, 2**40), :name).map { |r| one(r) }
      def find(name) = (row = @rows.where(name: name, settled: nil).first) && one(row)

      # Keeps one; what is known of one already is completed, and the earlier deadline counts. Returns whether it is
      # new.
      def put(name, account_id:, source:, because:, at:, deadline: nil, requested_by: nil)
        known = find(name)
        deadline = [deadline, known&.deadline].compact.min
        @rows.insert_conflict(:replace).insert(name: name, account_id: account_id, source: known&.source || source,
          because: known&.because || because, requested_by: requested_by || known&.requested_by,
          seen_at: (known&.seen_at || at).to_i, deadline: deadline&.to_i)
        known.nil?
      end

      # Returns whether there was one.
      def settle(name, because, at:)
        @rows.where(name: name, settled: nil).update(settled: because, settled_at: at.to_i).positive?
      end

      # Was this settled by a person since an instant?
      def settled_since?(name, at) = @rows.where(name: name).exclude(settled: nil).where { settled_at >= at.to_i }.any?

      private

      def one(row)
        Stray.new(**row, **%i[seen_at deadline settled_at].to_h { |k| [k, Values.time(row[k])] })
      end
    end
  end
end
