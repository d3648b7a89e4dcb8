# frozen_string_literal: true

module SteadyMove
  module Store
    # Settings as they were set on screen: a sealed value a key.
    class SettingRows
      def initialize(db, safe)
        @rows = db[:settings]
        @safe = safe
      end

      # A map, or nil where nothing was set.
      def get(key)
        sealed = @rows.where(key: key).get(:sealed)
        sealed && JSON.parse(@safe.open(sealed))
      end

      def set(key, value, at:)
        @rows.insert_conflict(:replace).insert(
          key: key,
          sealed: @safe.seal(JSON.generate(value)),
          changed_at: at.to_i
        )
      end

      def remove(key) = @rows.where(key: key).delete
      def keys = @rows.select_order_map(:key)
      # Rows with their values, for an export.
      def all
        @rows
          .order(:key)
          .map do |r|
            { key: r[:key], value: JSON.parse(@safe.open(r[:sealed])), changed_at: r[:changed_at] }
          end
      end

      # A row as an export has it.
      def put(key, value, changed_at)
        @rows.insert(key: key, sealed: @safe.seal(JSON.generate(value)), changed_at: changed_at)
      end
    end
  end
end
