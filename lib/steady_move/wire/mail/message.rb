# frozen_string_literal: true

module SteadyMove
  module Wire
    module Mail
      # One message as text. uid: its number in the mailbox; from: its sender's address; froms,
      # reply_to: the addresses of all its From and Reply-To fields; results: bodies of its
      # Authentication-Results fields, topmost first; at: Time of its Date field; text: as people
      # read it; marked: the same with its links marked (Core::Post::Marks); further: what its other
      # form says, marked; cut: only its beginning was read; answers: Message-IDs that it names in
      # In-Reply-To and References, or reports on; undelivered: addresses that a delivery report
      # says could not be reached; automatic: no person wrote it (RFC 3834 §5); raw: its octets as
      # they came, nil where there are none.
      Message =
        Struct.new(
          :uid,
          :message_id,
          :from,
          :froms,
          :to,
          :reply_to,
          :results,
          :subject,
          :at,
          :text,
          :marked,
          :further,
          :cut,
          :answers,
          :undelivered,
          :automatic,
          :raw,
          keyword_init: true
        ) do
          # One of which nothing could be read. says: why; raw: its octets.
          def self.unreadable(uid, says, raw)
            new(
              uid: uid,
              from: "",
              to: "",
              subject: "A message that can't be read",
              text: says,
              froms: [],
              results: [],
              marked: says,
              further: "",
              cut: false,
              raw: raw
            )
          end

          def inspect = "#<Message #{uid}>"
        end
    end
  end
end
