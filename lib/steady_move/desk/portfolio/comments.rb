# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # What people tell each other of a name: a line of the journal with who said it, also of its
      # move while one is open. Nothing else follows from it.
      class Comments
        # Characters of a comment.
        MOST = 1000

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # name: A-label text held here. Raises Refused.
        def add(name, text, by:)
          raise Refused.new(:unknown, :not_held, name: name) unless @ports.names.find(name)

          text = text.strip
          raise Refused.new(:invalid, :empty_comment) if text.empty?
          raise Refused.new(:invalid, :long_comment, most: MOST) if text.size > MOST

          @ports.journal.add(
            "comment",
            at: @ports.now,
            by: by,
            name: name,
            move_id: @ports.moves.open_for(name)&.id,
            says: Words.phrase("journal.comment", by: by, text: text)
          )
        end
      end
    end
  end
end
