# frozen_string_literal: true

require "digest"
require "securerandom"

module SteadyMove
  module Desk
    module Automation
      # Pages with a secret address that show how a move or a batch stands, and nothing else.
      class StatusPages
        KINDS = %w[move batch].freeze

        def initialize(ports)
          @ports = Ports.of(ports)
          @rows = Store::SecretAddresses.new(@ports.db, :status_pages, %i[kind ref])
        end

        # A new address; the one before holds no longer. Returns its secret part, which is shown
        # once. Raises Refused.
        def renew(kind, ref, by:)
          title = title(kind, ref)
          token = SecureRandom.urlsafe_base64(32)
          @rows.renew({ kind: kind, ref: ref }, digest(token), at: @ports.now)
          note("status_page", kind, ref, by: by, title: title)
          token
        end

        # Ends it. Raises Refused.
        def finish(kind, ref, by:)
          title = title(kind, ref)
          @rows.finish(kind: kind, ref: ref)
          note("status_page_ended", kind, ref, by: by, title: title)
        end

        def made_at(kind, ref) = @rows.made_at(kind: kind, ref: ref)

        # [title, [sentence]] under a secret address, or nil where there is none such.
        def find(token)
          row = @rows.find(digest(token)) or return
          [title(row[:kind], row[:ref]), text(row[:kind], row[:ref])]
        end

        # [sentence] of a move or a batch. Raises Refused.
        def text(kind, ref)
          texts = StatusText.new(@ports)
          if kind == "move"
            texts.of_move(move(ref))
          else
            texts.of_batch(Batches::BatchCommands.new(@ports).find(ref))
          end
        end

        private

        def note(key, kind, ref, by:, title:)
          @ports.journal.add(
            "status-page",
            at: @ports.now,
            by: by,
            move_id: (ref if kind == "move"),
            says: Words.phrase("journal.#{key}", by: by, title: title)
          )
        end

        def digest(token) = Digest::SHA256.hexdigest(token.to_s)
        def move(id) = @ports.moves.find(id) || raise(Refused.new(:unknown, :no_move, id: id))
        def title(kind, ref) =
          kind == "move" ? move(ref).name : Batches::BatchCommands.new(@ports).find(ref).title
      end
    end
  end
end
