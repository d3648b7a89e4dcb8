# frozen_string_literal: true

module SteadyMove
  module Desk
    module Mail
      # What a person says of a message: it was matched wrong, its sender is known, which of its
      # codes it is.
      class Replies
        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # A message that was matched wrong. kind: as it is to be taken, also for later ones of this
        # sender that read alike; names: A-label texts that are held; trust: the sender is known to
        # whoever says so, the message counts. Raises Refused.
        def correct(id, kind:, names:, by:, trust: false)
          kinds = Core::Post::Lexicon::IDS
          unless kinds.include?(kind)
            raise Refused.new(:invalid, :no_kind_of_message, kind: kind, kinds: kinds)
          end

          message = find(id)
          unknown = names.reject { |n| @ports.names.find(n) }
          raise Refused.new(:unknown, :not_held, name: unknown.first) if unknown.any?

          @ports.db.transaction do
            remember(message, kind, by)
            put_right(message, message.reading.with(kind: kind, names: names), by, trust: trust)
          end
        end

        # The message counts, as it was understood: whoever says so knows its sender. Raises
        # Refused.
        def trust(id, by:)
          message = find(id)
          @ports.db.transaction { put_right(message, message.reading, by, trust: true) }
        end

        # Which of the codes that may stand in a message it is. index: of the list as it was shown;
        # name: held. Raises Refused.
        def choose_code(id, index:, name:, by:)
          message = find(id)
          raise Refused.new(:unknown, :not_held, name: name) unless @ports.names.find(name)

          code = @ports.messages.codes(id)&.candidates.to_a[index]
          raise Refused.new(:not_now, :no_such_code, id: id) if code.nil?

          @ports.db.transaction do
            MessageEffects.new(@ports).keep_code(name, code, message, by: by)
            @ports.messages.drop_codes(id)
          end
        end

        private

        def find(id) = @ports.messages.find(id) || raise(Refused.new(:unknown, :no_message, id: id))

        # reading: what it is to be taken for.
        def put_right(message, reading, by, trust:)
          counts = trust || message.proven?
          key = trust ? :"post.counted" : :"post.put_right"
          reading =
            reading.with(
              trust: Core::Post::Trust.on_word(message.trust, counts),
              link: link(message, reading.kind, counts),
              because: reading.because + [Words.say(key, by: by)]
            )
          @ports.messages.correct(message.id, reading, move_id: move_of(reading)&.id, by: by)
          now = @ports.messages.find(message.id)
          MessageEffects.new(@ports).list(now) if trust && !message.proven?
          MailLines.new(@ports).put_right(now, by: by)
        end

        def move_of(reading)
          reading.names.filter_map { |n| @ports.moves.of_name(n).first }.first
        end

        # The link to approve with was not offered while its sender was doubtful.
        def link(message, kind, counts)
          unless counts && message.link.nil? && Core::Post::Lexicon::ASKING.include?(kind)
            return message.link
          end

          Core::Post::Links.to_approve(message.links)
        end

        # Later messages of this sender that read alike are taken so as well. Of a doubtful one
        # nobody knows whose it is: nothing is learnt from it.
        def remember(message, kind, by)
          return if message.doubtful? || message.read_kind.nil? || kind == message.kind

          @ports.letters.correct(message.sender, message.read_kind, kind, by: by, at: @ports.now)
        end
      end
    end
  end
end
