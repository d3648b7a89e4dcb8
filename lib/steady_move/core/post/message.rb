# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # Where a message lies: which of the desk's mailboxes, and its number there, which holds as
      # long as the mailbox counts as it does now (UID and UIDVALIDITY, RFC 9051 §2.3.1.1).
      Place = Struct.new(:mailbox, :uidvalidity, :uid, keyword_init: true)

      # One message as it came, the same value from the mailbox to the journal. place: Place, nil
      # for one that somebody dropped in; sender: the address of its From field, senders and
      # reply_to those of all From and Reply-To fields; recipient: of its To field; results: bodies
      # of its Authentication-Results fields, topmost first; trace: [[name, body]] of these and of
      # its Received and Received-SPF fields, in their order; at: Time of its Date field; offset:
      # that field's, in seconds east; text: as
      # people read it; marked: the same with its links marked (Marks); further: what its other form
      # says, marked; beside: text of messages and files that merely come along, which nothing may
      # follow from; cut: only the beginning of its octets was read; long: it says more than is
      # read; answers: Message-IDs that it names in
      # In-Reply-To and References, or reports on; undelivered: addresses that a delivery report
      # says could not be reached; automatic: no person wrote it (RFC 3834 §5); raw: its octets as
      # they came, nil where there are none.
      Message =
        Struct.new(
          :place,
          :message_id,
          :sender,
          :senders,
          :recipient,
          :reply_to,
          :results,
          :trace,
          :subject,
          :at,
          :offset,
          :text,
          :marked,
          :further,
          :beside,
          :cut,
          :long,
          :answers,
          :undelivered,
          :automatic,
          :raw,
          keyword_init: true
        ) do
          # One of which nothing could be read. says: why; raw: its octets.
          def self.unreadable(says, raw, place: nil)
            new(
              place: place,
              sender: "",
              senders: [],
              recipient: "",
              subject: "A message that can't be read",
              text: says,
              results: [],
              marked: says,
              further: "",
              cut: false,
              raw: raw
            )
          end

          # All that people may read of it: what it says, and what comes along.
          def whole_text = [text, beside].reject { |t| t.to_s.strip.empty? }.join("\n\n")

          # The same, found at a place.
          def at_place(place) = dup.tap { |copy| copy.place = place }
          def inspect = "#<Message #{message_id}>"
        end
    end
  end
end
