# frozen_string_literal: true

require "json"

module SteadyMove
  module Store
    # What the desk remembers of itself, by a key: any JSON value.
    class SystemState
      def initialize(db)
        @rows = db[:keeping]
      end

      def [](key) = (text = @rows.where(key: key).get(:value)) && JSON.parse(text)

      def []=(key, value)
        @rows.insert_conflict(:replace).insert(key: key, value: JSON.generate(value))
      end

      # {key => value} of all whose key begins so, without that beginning.
      def under(beginning)
        @rows
          .where(Sequel[:key] >= beginning)
          .where(Sequel[:key] < "#{beginning}\u{10FFFF}")
          .select_hash(:key, :value)
          .to_h { |key, value| [key.delete_prefix(beginning), JSON.parse(value)] }
      end

      def delete(key) = @rows.where(key: key).delete
    end
  end
end
