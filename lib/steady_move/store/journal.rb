# frozen_string_literal: true

require "digest"

module SteadyMove
  module Store
    # The journal: added to, never changed; each line carries a digest over itself and the line
    # before.
    class Journal
      Event = Core::Moves::Event
      KEPT = %i[move_id name at type step says evidence data by].freeze
      MOST = 200
      CHECKED_AT_ONCE = 2000

      def initialize(db)
        @db = db
        @events = db[:events]
        @last_chain =
          @events.order(Sequel.desc(:seq)).select(:chain).limit(1).prepare(:select, :last_chain)
        @after =
          @events
            .where(move_id: :$id)
            .where(Sequel[:seq] > :$seq)
            .order(:seq)
            .prepare(:select, :events_after)
        columns = KEPT + %i[words chain]
        @insert = @events.prepare(:insert, :add_event, columns.to_h { |c| [c, :"$#{c}"] })
      end

      # Adds one line. says: a Core::Phrase, kept with its key and values beside the sentence, or a
      # sentence. move_id and name may be nil. Returns the Event.
      def add(type, at:, says:, by:, move_id: nil, name: nil, step: nil, evidence: {}, data: {})
        row = {
          move_id: move_id,
          name: name,
          at: at.to_i,
          type: type,
          step: step,
          says: Words.text(says),
          evidence: Values.dump(evidence),
          data: Values.dump(data),
          by: by
        }
        row[:words] = says.is_a?(Core::Phrase) ? Values.dump(says) : nil
        @db.transaction do
          chain = Digest::SHA256.hexdigest([last_chain, *digested(row)].join("\n"))
          event_of(row.merge(seq: @insert.call(row.merge(chain: chain))))
        end
      end

      def of_move(id) = @events.where(move_id: id).order(:seq).map { |r| event_of(r) }

      # {move id => [Event]} for several moves in one query.
      def of_moves(ids)
        @events
          .where(move_id: ids)
          .order(:move_id, :seq)
          .all
          .group_by { |r| r[:move_id] }
          .transform_values { |rows| rows.map { |r| event_of(r) } }
      end

      # Newest first, at most so many, before a line's number where one is given; of a move, a name
      # or a type alone.
      def page(before: nil, limit: 50, **of)
        rows = @events.where(of.compact.empty? || of.compact)
        rows = rows.where { seq < before } if before
        rows.reverse(:seq).limit([limit, MOST].min).map { |r| event_of(r) }
      end

      # Lines by their numbers, newest first.
      def numbered(numbers) = @events.where(seq: numbers).reverse(:seq).map { |r| event_of(r) }

      # Every line of a type, oldest first.
      def of_type(type) = @events.where(type: type).order(:seq).map { |r| event_of(r) }

      # Where a person started moves since an instant.
      def planned_by(person, since)
        rows = @events.where(type: "planned", by: person).where { at >= since.to_i }
        rows.order(:seq).map { |r| event_of(r) }
      end

      # A move's lines after one.
      def after(move_id, seq) = @after.call(id: move_id, seq: seq).map { |r| event_of(r) }

      # The lines after one, at most so many, oldest first.
      def lines_after(seq, most)
        @events.where { Sequel[:seq] > seq.to_i }.order(:seq).limit(most).map { |r| event_of(r) }
      end

      # Those of one type, the same way.
      def of_type_after(type, seq, most)
        of_type = @events.where(type: type)
        of_type.where { Sequel[:seq] > seq }.order(:seq).limit(most).map { |r| event_of(r) }
      end

      # What the lines after one speak of: [[type, move id, name]], at most so many.
      def spoken_of_since(seq, most)
        @events
          .where { Sequel[:seq] > seq.to_i }
          .order(:seq)
          .limit(most)
          .select_map(%i[type move_id name])
      end

      # The number of the last line of all; nil where there is none.
      def last_seq = @events.max(:seq)

      # The first line whose digest does not fit, or nil where the whole journal is whole.
      def broken_at = check.first

      # Walks on from where an earlier check ended. from: [line's number, its digest]; most: so many
      # lines at most. Returns [number of the first line whose digest does not fit, or nil; how far
      # it is whole, as the next `from`].
      def check(from = [0, ""], most: nil)
        whole = from
        left = most
        loop do
          part = [CHECKED_AT_ONCE, left].compact.min
          rows =
            (
              if part.zero?
                []
              else
                @events.where { Sequel[:seq] > whole.first }.order(:seq).limit(part).all
              end
            )
          return nil, whole if rows.empty?

          left &&= left - rows.size

          rows.each do |row|
            digest = Digest::SHA256.hexdigest([whole.last, *digested(row)].join("\n"))
            return row[:seq], whole unless digest == row[:chain]

            whole = [row[:seq], digest]
          end
        end
      end

      # Is the line with this number still the one with this digest?
      def still?(seq, digest) = seq.zero? || @events.where(seq: seq).get(:chain) == digest

      private

      # Lines of old have no words of their own; their digest is over the rest.
      def digested(row) = row.values_at(*KEPT) + [row[:words]].compact
      def last_chain = @last_chain.call.first&.fetch(:chain) || ""

      def event_of(row)
        Event.new(
          seq: row[:seq],
          move_id: row[:move_id],
          name: row[:name],
          at: Values.time(row[:at]),
          type: row[:type],
          step: row[:step],
          says: row[:says],
          phrase: row[:words] && Values.load(row[:words]),
          evidence: Values.load(row[:evidence]),
          data: Values.load(row[:data]),
          by: row[:by]
        ).freeze
      end
    end
  end
end
