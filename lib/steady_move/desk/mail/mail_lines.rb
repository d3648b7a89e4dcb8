# frozen_string_literal: true

module SteadyMove
  module Desk
    module Mail
      # Lines of the journal about a message: that it came, that a person put it right.
      class MailLines
        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # A line for each move that the message is about.
        def came(kept)
          key = kept.proven? ? "mail" : "mail_#{kept.trust}"
          says = Words.phrase("journal.#{key}", from: kept.sender, subject: masked_subject(kept))
          kept.names.each do |name|
            move = @ports.moves.of_name(name).first or next
            add(kept, move, by: "desk", name: move.name, says: says, evidence: evidence(kept))
          end
        end

        # A person said what it is; kept: as it is now.
        def put_right(kept, by:)
          about = kept.names.empty? ? Words.phrase("journal.no_name") : kept.names.join(", ")
          move = kept.names.filter_map { |n| @ports.moves.of_name(n).first }.first
          kind = Words.phrase("post.kinds.#{kept.kind}")
          add(
            kept,
            move,
            by: by,
            name: kept.names.first,
            says:
              Words.phrase(
                "journal.mail_corrected",
                by: by,
                from: kept.sender,
                kind: kind,
                about: about
              )
          )
        end

        private

        def add(kept, move, **line)
          data = {
            "kind" => kept.kind,
            "deadline" => kept.deadline,
            "trust" => kept.trust,
            "passed" => kept.passed? || nil,
            "ended" => kept.ended? || nil,
            "side" => move && Common::Parties.both(@ports, kept.sender, move)
          }.compact
          @ports.journal.add("mail", at: @ports.now, move_id: move&.id, data: data, **line)
        end

        def masked_subject(kept)
          candidates = kept.reading.candidates.to_a
          Core::Post::Masking.mask(kept.subject.to_s, candidates, speaks: kept.reading.speaks)
        end

        def evidence(kept)
          {
            "source" => Words.say(:"sources.mailbox"),
            "seen_at" => @ports.now,
            "ref" => kept.message_id
          }
        end
      end
    end
  end
end
