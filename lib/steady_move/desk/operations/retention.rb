# frozen_string_literal: true

module SteadyMove
  module Desk
    module Operations
      # How long things are kept: bodies of mail, contacts of names that were let go, what servers
      # answered. The journal stays whole; of a message its head stays, so that one can see that it
      # came.
      class Retention
        EVERY = 86_400
        # Setting => what it clears, with the method that does it.
        KINDS = %i[mail unrelated contacts looks].freeze

        def initialize(ports)
          @ports = Ports.of(ports)
          @db = @ports.db
          @days = @ports.config.retention.transform_keys(&:to_sym)
        end

        # Is anything set, and has it been a day?
        def due?
          return false if @days.empty?

          @due_at.nil? || @ports.now >= @due_at || @ports.now < @due_at - EVERY
        end

        # Clears what is older than was set. Returns {kind => how many}.
        def call
          @due_at = @ports.now + EVERY
          found =
            KINDS
              .select { |k| @days.key?(k) }
              .to_h { |k| [k, send(k, @ports.now - (@days[k] * 86_400))] }
          note(found, "the desk") if found.values.any?(&:positive?)
          found
        end

        # Clears all kinds that are older than an instant. Returns {kind => how many}.
        def purge(before, by:)
          found = KINDS.to_h { |kind| [kind, send(kind, before)] }
          note(found, by)
          found
        end

        private

        # Of moves that are over, or of none.
        def old_mail(before)
          open = @db[:moves].where(open: true).select(:id)
          @db[:messages]
            .where(Sequel.function(:coalesce, :at, 0) => 0...before.to_i)
            .where(Sequel.|({ move_id: nil }, Sequel.~(move_id: open)))
            .where(bodiless: false)
        end

        def mail(before) = strip(old_mail(before))
        def unrelated(before) =
          strip(old_mail(before).where(kind: %w[unrelated offer], move_id: nil))

        def strip(messages)
          @db.transaction do
            uids = messages.select_map(:uid)
            uids.each_slice(500) do |part|
              @db[:originals].where(uid: part).delete
              @db[:messages].where(uid: part).update(
                text: "",
                sealed_code: nil,
                links: "[]",
                link: nil,
                bodiless: true
              )
            end
            uids.size
          end
        end

        # Proofs of addresses that no name uses any more.
        def contacts(before)
          used = @db[:addresses].select(:address)
          @db[:mailboxes].where { at < before.to_i }.exclude(address: used).delete
        end

        # Stretches of answers that have ended, and copies of zones that are not the newest of their
        # side.
        def looks(before)
          newest = @db[:zone_copies].group(:name, :side).select { max(:id) }
          gone = @db[:server_answers].where { seen_at < before.to_i }.delete
          gone + @db[:zone_copies].where { seen_at < before.to_i }.exclude(id: newest).delete
        end

        def note(found, by)
          says =
            Words.phrase(
              "journal.purged",
              by: by,
              mail: found[:mail].to_i + found[:unrelated].to_i,
              contacts: found[:contacts].to_i,
              looks: found[:looks].to_i
            )
          @ports.journal.add("purged", at: @ports.now, by: by, says: says)
        end
      end
    end
  end
end
