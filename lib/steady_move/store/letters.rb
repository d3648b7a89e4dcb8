# frozen_string_literal: true

module SteadyMove
  module Store
    # Letters to registrars and contacts, as they went out, and whether they were answered; and what
    # is known of mailboxes.
    class Letters
      LISTS = %i[kinds names steps].freeze
      REFERENCE = /\bSM-\d{4,}-[a-z0-9]{4}\b/

      def initialize(db, safe)
        @db = db
        @rows = db[:letters]
        @safe = safe
      end

      # Keeps a letter that is about to go out. draft: Core::Letters::Draft; steps: [[move id,
      # step]]; word: that has to come back, or nil; at, due_at: Times, the latter by which its end
      # is expected; more: account_id, message_id, how, by, reminds. Returns its id.
      def put(draft, steps:, at:, due_at:, word: nil, **more)
        @rows.insert(
          recipient: draft.to,
          subject: draft.subject,
          text: draft.text,
          kinds: Values.dump(draft.kinds),
          names: Values.dump(draft.names),
          steps: Values.dump(steps),
          reference: draft.reference,
          state: "intended",
          at: at.to_i,
          due_at: due_at.to_i,
          word: word && @safe.seal(word),
          **more
        )
      end

      # Forgets a letter that did not go out.
      def drop(id) = @rows.where(id: id).delete
      def sent(id) = @rows.where(id: id).update(state: "sent")
      def answered(id, at:) = @rows.where(id: id).update(state: "answered", answered_at: at.to_i)
      def next_number = (@rows.max(:id) || 0) + 1
      def find(id) = all_of(@rows.where(id: id)).first
      # Newest first.
      def all = all_of(@rows.reverse(:id))
      def newest(most) = all_of(@rows.reverse(:id).limit(most))
      def unanswered = all_of(@rows.exclude(state: "answered").reverse(:id))

      # The newest letter to an address that a step waits for.
      def of_step(move_id, step, to:)
        all_of(@rows.where(recipient: to).reverse(:id)).find do |l|
          l[:steps].include?([move_id, step])
        end
      end

      # The newest letter to an address, in whichever spelling; nil where none went there.
      def to_address(address)
        all_of(
          @rows.where(Sequel.function(:lower, :recipient) => address.downcase).reverse(:id).limit(1)
        ).first
      end

      # The letter that a message answers: by the Message-ID that it names, else by our reference in
      # its text.
      def answered_by(ids, text)
        row = @rows.where(message_id: ids).reverse(:id).first if ids.any?
        row ||=
          (reference = text[REFERENCE]) && @rows.where(reference: reference).reverse(:id).first
        row && one(row)
      end

      # The word of a proof in the clear, or nil.
      def word(id) = (sealed = @rows.where(id: id).get(:word)) && @safe.open(sealed)

      # state: asked, proven, bounced or unread. Names whose contact it is are judged anew with it.
      def mailbox(address, state, at:)
        change = { state: state, at: at.to_i }
        @db[:mailboxes].insert_conflict(target: :address, update: change).insert(
          address: address.downcase,
          **change
        )
      end

      # {address => [state, seconds]}.
      def mailboxes
        @db[:mailboxes]
          .select_map(%i[address state at])
          .to_h { |address, state, at| [address, [state, at]] }
      end

      # A person's correction of how messages of a sender are to be taken; {read kind => [kind,
      # by]}.
      def correct(sender, read_kind, kind, by:, at:)
        @db[:corrections].insert_conflict(:replace).insert(
          sender: sender.downcase,
          read_kind: read_kind,
          kind: kind,
          by: by,
          at: at.to_i
        )
      end

      def correction(sender, read_kind)
        @db[:corrections].where(sender: sender.to_s.downcase, read_kind: read_kind).get(%i[kind by])
      end

      private

      def all_of(rows) = rows.all.map { |r| one(r) }

      def one(row)
        times = %i[at due_at answered_at].to_h { |k| [k, Values.time(row[k])] }
        row.except(:word).merge(LISTS.to_h { |k| [k, Values.load(row[k])] }, times)
      end
    end
  end
end
