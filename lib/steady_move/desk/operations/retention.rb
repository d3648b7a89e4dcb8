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
          @rows = Store::Retained.new(@ports.db)
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

        def mail(before) = @rows.clear_mail(before)
        def unrelated(before) = @rows.clear_mail(before, kind: %w[unrelated offer], move_id: nil)
        def contacts(before) = @rows.clear_proofs(before)
        def looks(before) = @rows.clear_looks(before)

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
