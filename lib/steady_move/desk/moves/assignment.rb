# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      # Who has a move in hand: whoever it was handed to last, else whoever started it. It stands in
      # the journal alone.
      class Assignment
        # Characters of a note.
        MOST = 500

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # The person's email, or nil where the desk's own word started it.
        def self.current(move)
          handed = move.events.reverse.find { |e| e.type == "handed-on" }
          handed ? handed.data["to"] : move.events.first&.by
        end

        # to: a person's email; role: of that person, or nil where there is none; note: what they
        # should know. Raises Refused.
        def to(id, to, role:, note:, by:)
          move = @ports.moves.find(id) or raise Refused.new(:unknown, :no_move, id: id)
          unless move.open
            raise Refused.new(:not_now, :ended, name: move.name, stage: move.state.stage)
          end
          raise Refused.new(:invalid, :hand_on_to_whom, given: to) if role.nil?
          unless People::Directory.may?(role, "mover")
            raise Refused.new(:invalid, :hand_on_too_little, given: to, role: role)
          end

          note = note.to_s.strip[0, MOST]
          says =
            Words.phrase(
              note.empty? ? "journal.handed_on" : "journal.handed_on_with",
              by: by,
              to: to,
              note: note,
              name: move.name
            )
          @ports.journal.add(
            "handed-on",
            at: @ports.now,
            says: says,
            by: by,
            move_id: id,
            name: move.name,
            data: {
              "to" => to,
              "note" => note
            }
          )
        end
      end
    end
  end
end
