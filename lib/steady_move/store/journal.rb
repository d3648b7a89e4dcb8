# frozen_string_literal: true

require "digest"

module SteadyMove
  module Store
    # The journal: added to, never changed; each line carries a digest over itself and the line before.
    class Journal
      Event = Core::Moves::Event

      def initialize(db)
        @db = db
        @heard = []
      end

      # Calls the block with each event after it is written.
      def on_event(&block) = @heard << block

      # Adds one line. move_id and name may be nil. Returns the Event.
      def add(type, at:, says:, by:, move_id: nil, name: nil, step: nil, evidence: {}, data: {})
        row = { move_id: move_id, name: name, at: at.to_i, type: type, step: step, says: says,
                evidence: Values.dump(evidence), data: Values.dump(data), by: by }
        event = @db.transaction(mode: :immediate) do
          chain = Digest::SHA256.hexdigest([last_chain, *row.values].join("\n"))
          event_of(row.merge(seq: @db[:events].insert(row.merge(chain: chain))))
        end
        @heard.each { |h| h.call(event, move_id) }
        event
      end

      def of_move(id) = @db[:events].where(move_id: id).order(:seq).map { |r| event_of(r) }

      # {move id => [Event]} for several moves in one query.
      def of_moves(ids)
        @db[:events].where(move_id: ids).order(:seq).all.group_by { |r| r[:move_id] }
                    .transform_values { |rows| rows.map { |r| event_of(r) } }
      end

      # {move id => seq of its last event}.
      def last_of_moves(ids) = @db[:events].where(move_id: ids).group(:move_id).select_hash(:move_id, Sequel.function(:max, :seq).as(:seq))

      def of_name(name) = @db[:events].where(name: name).order(:seq).map { |r| event_of(r) }

      # The first line whose digest does not fit, or nil where the whole journal is whole.
      def broken_at
        previous = ""
        @db[:events].order(:seq).each do |row|
          kept = row.slice(:move_id, :name, :at, :type, :step, :says, :evidence, :data, :by)
          previous = Digest::SHA256.hexdigest([previous, *kept.values].join("\n"))
          return row[:seq] unless previous == row[:chain]
        end
        nil
      end

      private

      def last_chain = @db[:events].order(Sequel.desc(:seq)).get(:chain) || ""

      def event_of(row)
        Event.new(seq: row[:seq], at: Values.time(row[:at]), type: row[:type], step: row[:step], says: row[:says],
                  evidence: Values.load(row[:evidence]), data: Values.load(row[:data]), by: row[:by]).freeze
      end
    end
  end
end
