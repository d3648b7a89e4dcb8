# frozen_string_literal: true

module SteadyMove
  module Store
    # Incoming mail as it was understood, and as a person corrected it.
    class Messages
      LISTS = %i[names because].freeze
      MOST = 200

      def initialize(db, safe)
        @db = db
        @rows = db[:messages]
        @safe = safe
      end

      def last_uid = [@rows.max(:uid) || 0, 0].max
      # The number for a message that was dropped in and has none in a mailbox: below zero.
      def next_dropped = [@rows.min(:uid) || 0, 0].min - 1

      def known?(uid, message_id)
        @rows.where(uid: uid).any? || (!message_id.nil? && @rows.where(message_id: message_id).any?)
      end

      # Keeps a Wire::Mail::Message with its Core::Post::Reading; the same message twice changes nothing. Codes in the
      # text are masked, they belong into the code safe; the code of a doubtful message is sealed until somebody lifts
      # the doubt.
      def put(message, reading, move_id, letter_id: nil, read_kind: reading.kind)
        sealed = @safe.seal(reading.code) if reading.doubtful && reading.code
        @rows.insert_conflict.insert(
          **head(message), text: Core::Post::Codes.masked(message.text), kind: reading.kind, link: reading.link,
          names: Values.dump(reading.names.map(&:ascii)), because: Values.dump(reading.because),
          deadline: reading.deadline&.to_i, doubtful: reading.doubtful, move_id: move_id, letter_id: letter_id,
          read_kind: read_kind, sealed_code: sealed
        )
      end

      # Newest first; instants as Times, lists as Arrays.
      def all = newest.map { |r| one(r) }
      def of_move(move_id) = @rows.where(move_id: move_id).reverse(:at, :uid).map { |r| one(r) }

      # Newest first, at most so many, after a place [at in seconds, uid]; kinds: those alone.
      def page(after: nil, limit: 100, kinds: nil)
        rows = newest.limit([limit, MOST].min)
        rows = rows.where(Sequel.lit("(coalesce(at, 0), uid) < (?, ?)", *after)) if after
        rows = rows.where(kind: kinds).from(Sequel.lit("messages INDEXED BY messages_kind")) if kinds
        rows.map { |r| one(r) }
      end

      def count = @db[:stamps].where(key: "messages").get(:count)
      def find(uid) = (row = @rows.where(uid: uid).first) && one(row)

      # What a message answers, where a person put that one right.
      def corrected(ids)
        return if ids.nil? || ids.empty?

        row = @rows.where(message_id: ids).exclude(corrected_by: nil).first
        row && one(row)
      end

      # A person's word on one message.
      def correct(uid, kind:, names:, move_id:, doubtful:, because:, by:)
        @rows.where(uid: uid).update(kind: kind, names: Values.dump(names), move_id: move_id, doubtful: doubtful,
          because: Values.dump(because), corrected_by: by)
      end

      # The sealed code of a message in the clear, once; nil where none is.
      def take_code(uid)
        sealed = @rows.where(uid: uid).get(:sealed_code) or return
        @rows.where(uid: uid).update(sealed_code: nil)
        @safe.open(sealed)
      end

      private

      def newest = @rows.order(Sequel.desc(Sequel.function(:coalesce, :at, 0)), Sequel.desc(:uid))

      def head(message)
        { uid: message.uid, message_id: message.message_id, sender: message.from, recipient: message.to,
          subject: message.subject,
          at: message.at&.to_i, answers: message.answers&.first }
      end

      def one(row)
        row.except(:sealed_code).merge(at: Values.time(row[:at]), deadline: Values.time(row[:deadline]),
                                       **LISTS.to_h { |k| [k, Values.load(row[k])] })
      end
    end
  end
end
