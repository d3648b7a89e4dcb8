# frozen_string_literal: true

module SteadyMove
  module Store
    # A site's own words on the rulebook; taken back, they stay to be read.
    class Overrides
      def initialize(db, stamp = ChangeCounter.new(db))
        @db = db
        @stamp = stamp
      end

      def add(suffix:, key:, value:, source:, date:, by:, at:)
        @db[:overrides]
          .insert(
            suffix: suffix,
            key: key,
            value: value,
            source: source,
            date: date,
            by: by,
            at: at.to_i
          )
          .tap { @stamp.touch }
      end

      # Returns how many were taken back: 1, or 0 where there is none such that still holds.
      def take_back(id, at:)
        @db[:overrides]
          .where(id: id, taken_back_at: nil)
          .update(taken_back_at: at.to_i)
          .tap { @stamp.touch }
      end

      def all = @db[:overrides].reverse(:id).all
      def find(id) = @db[:overrides].where(id: id).first

      # Those that hold: [Core::Readiness::Override].
      def active
        @db[:overrides].where(taken_back_at: nil).order(:id).map { |r| Overrides.word(r) }
      end

      def self.word(row)
        source = {
          "text" => row[:source],
          "kind" => "site",
          "verified" => true,
          "date" => row[:date]
        }
        Core::Readiness::Override.new(
          suffix: row[:suffix],
          key: row[:key],
          value: row[:value],
          source: source,
          id: row[:id]
        ).freeze
      end
    end
  end
end
