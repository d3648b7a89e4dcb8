# frozen_string_literal: true

module SteadyMove
  module Store
    # Incoming mail as it was understood.
    class Messages
      def initialize(db)
        @rows = db[:messages]
      end

      def last_uid = @rows.max(:uid) || 0

      # Keeps a Wire::Mail::Message with its Core::Post::Reading; the same message twice changes nothing. Codes in the text are masked:
      # they belong into the code safe.
      def put(message, reading, move_id)
        @rows.insert_conflict.insert(
          link: reading.link, uid: message.uid, message_id: message.message_id, sender: message.from, recipient: message.to, subject: message.subject,
          text: Core::Post::Codes.masked(message.text), at: message.at&.to_i, kind: reading.kind, names: Values.dump(reading.names.map(&:ascii)),
          because: Values.dump(reading.because), deadline: reading.deadline&.to_i, doubtful: reading.doubtful, move_id: move_id
        )
      end

      # Newest first; instants as Times, lists as Arrays.
      def all(move_id: nil)
        rows = move_id ? @rows.where(move_id: move_id) : @rows
        rows.reverse(:uid).map do |r|
          r.merge(at: Values.time(r[:at]), deadline: Values.time(r[:deadline]), names: Values.load(r[:names]), because: Values.load(r[:because]))
        end
      end
    end
  end
end
