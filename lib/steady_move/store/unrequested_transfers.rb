# frozen_string_literal: true

require "json"

module SteadyMove
  module Store
    # Transfers of held names that nobody here ordered, each a row of its own from the first sight
    # to its end.
    class UnrequestedTransfers
      # open: it alarms; expected: a person knows of it, and it runs; unsafe: it has ended, and
      # somebody else still has the name's code, or the lock is off; over: nothing is left of it.
      STATES = %w[open expected unsafe over].freeze
      RUNNING = %w[open expected].freeze
      TIMES = %i[
        requested_at
        seen_at
        deadline
        ended_at
        expected_at
        refused_at
        lock_seen_at
        code_new_at
      ].freeze
      Stray =
        Struct.new(
          :id,
          :name,
          :account_id,
          :source,
          :because,
          :requested_by,
          :requested_at,
          :seen_at,
          :deadline,
          :assumed,
          :shown,
          :state,
          :how,
          :ended_at,
          :expected_at,
          :expected_by,
          :ordered_by,
          :refused_at,
          :refused_by,
          :lock_seen_at,
          :code_new_at,
          :code_new_by,
          :told,
          keyword_init: true
        ) do
          def open? = state == "open"
          def expected? = state == "expected"
          def unsafe? = state == "unsafe"
        end

      def initialize(db)
        @rows = db[:strays]
      end

      # Those that alarm, the next deadline first.
      def open = all(@rows.where(state: "open"))
      # Those of which something is left to be seen to: they alarm, run as expected, or left a name
      # unsafe.
      def concerning = all(@rows.exclude(state: "over"))
      def running(name) = newest(name, RUNNING)
      # The newest that is not over.
      def of_name(name) = newest(name, STATES - ["over"])
      def find(id) = (row = @rows.where(id: id).first) && one(row)

      # Is this very transfer over already? Messages of a queue may come late.
      def ended?(name, by:, asked_at:, within:)
        return false unless by && asked_at

        about = (asked_at.to_i - within)..(asked_at.to_i + within)
        @rows.where(name: name, requested_by: by, requested_at: about).exclude(ended_at: nil).any?
      end

      # The newest whose end was seen.
      def last_ended(name)
        row =
          @rows
            .where(name: name)
            .exclude(ended_at: nil)
            .exclude(how: "replaced")
            .reverse(:ended_at)
            .first
        row && one(row)
      end

      # Names whose code somebody else has, as far as is known.
      def codes_known(names = nil)
        rows = @rows.exclude(state: "expected").where(shown: true, code_new_at: nil)
        rows = rows.where(state: %w[open unsafe])
        (names ? rows.where(name: names) : rows).select_map(:name).to_set
      end

      # values: by column, instants as Times. Returns the new row.
      def add(**values) = find(@rows.insert(state: "open", **plain(values)))

      # Changes some columns of one. Returns the row as it is then.
      def change(id, **values)
        @rows.where(id: id).update(plain(values))
        find(id)
      end

      # A name that is no longer held leaves none behind.
      def forget(name) = @rows.where(name: name).delete

      private

      def newest(name, states)
        row = @rows.where(name: name, state: states).reverse(:id).first
        row && one(row)
      end

      def all(rows)
        rows.order(Sequel.function(:coalesce, :deadline, 2**40), :name, :id).map { |r| one(r) }
      end

      def plain(values)
        values.to_h do |key, value|
          [key, TIMES.include?(key) ? value&.to_i : key == :told ? JSON.generate(value) : value]
        end
      end

      def one(row)
        Stray.new(
          **row,
          **TIMES.to_h { |k| [k, Values.time(row[k])] },
          told: JSON.parse(row[:told])
        ).freeze
      end
    end
  end
end
