# frozen_string_literal: true

module SteadyMove
  module Store
    # What is cleared when it is old: bodies of mail, proofs of addresses, what servers said.
    class Retained
      def initialize(db)
        @db = db
      end

      # Bodies of messages before an instant, of moves that are over or of none. Returns how many.
      def clear_mail(before, **which)
        open = @db[:moves].where(open: true).select(:id)
        strip(
          @db[:messages]
            .where(Sequel.function(:coalesce, :at, 0) => 0...before.to_i)
            .where(Sequel.|({ move_id: nil }, Sequel.~(move_id: open)))
            .where(bodiless: false, **which)
        )
      end

      # Proofs of addresses that no name uses any more.
      def clear_proofs(before)
        used = @db[:addresses].select(:address)
        @db[:mailboxes].where { at < before.to_i }.exclude(address: used).delete
      end

      # Stretches of answers that have ended, and copies of zones that are not the newest of their
      # side.
      def clear_looks(before)
        newest = @db[:zone_copies].group(:name, :side).select { max(:id) }
        gone = @db[:server_answers].where { seen_at < before.to_i }.delete
        gone + @db[:zone_copies].where { seen_at < before.to_i }.exclude(id: newest).delete
      end

      private

      def strip(messages)
        @db.transaction do
          ids = messages.select_map(:id)
          ids.each_slice(500) do |part|
            @db[:originals].where(id: part).delete
            @db[:messages].where(id: part).update(
              text: "",
              sealed_code: nil,
              links: "[]",
              link: nil,
              bodiless: true
            )
          end
          ids.size
        end
      end
    end
  end
end
