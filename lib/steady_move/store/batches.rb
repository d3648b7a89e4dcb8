# frozen_string_literal: true

module SteadyMove
  module Store
    # Batches with their names. What is said of a batch stands in the journal; here is only which
    # lines are about it.
    class Batches
      # settings: {"to", "host", "aims", "per_day", "trial", "blackouts", "limit"}; state: draft,
      # asked, running, halted or closed; accepted: [{minor, currency}] as they were shown at the
      # start.
      Batch =
        Struct.new(
          :id,
          :title,
          :settings,
          :state,
          :by,
          :made_at,
          :asked_by,
          :approved_by,
          :accepted,
          :started_at,
          :closed_at,
          keyword_init: true
        )
      # own: what differs from the batch's settings; state: in, held or dropped; says: why it could
      # not be started.
      Member =
        Struct.new(
          :batch_id,
          :name,
          :own,
          :state,
          :move_id,
          :started_at,
          :says,
          keyword_init: true
        ) do
          # Is it in, and not started yet?
          def waiting? = state == "in" && move_id.nil?
        end
      OPEN = %w[draft asked running halted].freeze
      TIMES = %i[made_at started_at closed_at].freeze

      def initialize(db)
        @db = db
        @rows = db[:batches]
        @names = db[:batch_names]
      end

      # Returns its id.
      def add(title, settings, names, by:, at:)
        @db.transaction do
          id = @rows.insert(title: title, settings: Values.dump(settings), by: by, made_at: at.to_i)
          add_names(id, names)
          id
        end
      end

      # Names that were dropped come back.
      def add_names(id, names)
        names.each do |name|
          @names.insert_conflict(target: %i[batch_id name], update: { state: "in" }).insert(
            batch_id: id,
            name: name
          )
        end
      end

      def find(id) = batch(@rows.where(id: id).first)
      # Newest first.
      def all = @rows.reverse(:id).map { |r| batch(r) }
      # Those that were asked for or begun and are not closed.
      def open = @rows.where(state: %w[asked running halted]).order(:id).map { |r| batch(r) }
      def running = @rows.where(state: "running").order(:id).map { |r| batch(r) }
      # Those that were started and are not closed, halted ones too.
      def begun = @rows.where(state: %w[running halted]).order(:id).map { |r| batch(r) }

      # Are there names that wait for their wave?
      def running?
        waiting = @names.where(state: "in", move_id: nil).select(:batch_id)
        !@rows.where(state: "running", id: waiting).empty?
      end

      def members(id) = @names.where(batch_id: id).order(:name).map { |r| member(r) }

      # Names that could not be started, with the reason; a person's own have none.
      def held_back(id)
        @names
          .where(batch_id: id, state: "held")
          .exclude(says: nil)
          .order(:name)
          .map { |r| member(r) }
      end

      # The open batch that a name is in, or nil.
      def open_with(name)
        batch(
          @rows.where(
            state: OPEN,
            id: @names.where(name: name).exclude(state: "dropped").select(:batch_id)
          ).first
        )
      end

      # The batch that a move belongs to, or nil.
      def of_move(move_id)
        batch(@rows.where(id: @names.where(move_id: move_id).select(:batch_id)).first)
      end
      # {move id => batch id} of all moves that belong to one.
      def by_move = @names.exclude(move_id: nil).select_hash(:move_id, :batch_id)

      # {batch id => {state => how many names}}.
      def counts
        @names
          .group_and_count(:batch_id, :state)
          .each_with_object(Hash.new { |h, k| h[k] = {} }) do |row, all|
            all[row[:batch_id]][row[:state]] = row[:count]
          end
      end

      def update(id, **members)
        row = members.to_h { |k, v| [k, TIMES.include?(k) ? v&.to_i : written(v)] }
        @rows.where(id: id).update(row)
      end

      # Takes a batch from one state to another; false where it is not in the first: of two who do
      # so, one does it.
      def turn(id, from:, to:, **members)
        return false unless @rows.where(id: id, state: from).update(state: to) == 1

        update(id, **members) if members.any?
        true
      end

      def update_name(id, name, **members)
        row = members.to_h { |k, v| [k, k == :started_at ? v&.to_i : written(v)] }
        @names.where(batch_id: id, name: name).update(row)
      end

      # A line of the journal is about the batch.
      def note(id, seq) = @db[:batch_lines].insert_conflict.insert(batch_id: id, seq: seq)
      # The number of the last line about any batch; nil where there is none.
      def last_line = @db[:batch_lines].max(:seq)
      # Numbers of the lines about a batch itself, newest first.
      def lines(id, most)
        @db[:batch_lines].where(batch_id: id).reverse(:seq).limit(most).select_map(:seq)
      end

      private

      def written(value) = value.is_a?(Hash) || value.is_a?(Array) ? Values.dump(value) : value

      def batch(row)
        return unless row

        Batch.new(
          **row,
          settings: Values.load(row[:settings]),
          accepted: row[:accepted] && Values.load(row[:accepted]),
          **TIMES.to_h { |k| [k, Values.time(row[k])] }
        ).freeze
      end

      def member(row)
        Member.new(
          **row,
          own: Values.load(row[:own]),
          started_at: Values.time(row[:started_at])
        ).freeze
      end
    end
  end
end
