# frozen_string_literal: true

module SteadyMove
  module Store
    # Addresses that lines of the journal are posted to, and how far each has been told.
    class Webhooks
      def initialize(db)
        @rows = db[:webhooks]
      end

      def add(row) = @rows.insert(row)
      def all = @rows.order(:id).all
      def count = @rows.count
      def find(id) = @rows.where(id: id).first
      def remove(id) = @rows.where(id: id).delete
      # Those that have not been told of the line `last` and are not put off.
      def waiting(last, at:)
        @rows
          .where { seq < last }
          .where(Sequel.|({ next_at: nil }, Sequel[:next_at] <= at.to_i))
          .all
      end

      def told(id, seq)
        @rows.where(id: id).update(seq: seq, fails: 0, next_at: nil, says: nil)
      end

      def fails(id) = @rows.where(id: id).get(:fails)
      def put_off(id, fails, until_at, says)
        @rows.where(id: id).update(fails: fails, next_at: until_at, says: says)
      end
    end
  end
end
