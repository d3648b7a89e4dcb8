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
        def correct(uid, kind:, names:, by:, trust: false)
          kinds = Core::Post::Lexicon::IDS
          unless kinds.include?(kind)
            raise Refused.new(:invalid, :no_kind_of_message, kind: kind, kinds: kinds)
          end

          message = find(uid)
          unknown = names.reject { |n| @ports.names.find(n) }
          raise Refused.new(:invalid, :not_held, name: unknown.first) if unknown.any?

          @ports.db.transaction do
            remember(message, kind, by)
            put_right(message, kind, names, by, trust: trust)
          end
        end

        # The message counts, as it was understood: whoever says so knows its sender. Raises
        # Refused.
        def trust(uid, by:)
          message = find(uid)
          @ports.db.transaction do
            put_right(message, message[:kind], message[:names], by, trust: true)
          end
        end

        # Which of the codes that may stand in a message it is. index: of the list as it was shown;
        # name: held. Raises Refused.
        def choose_code(uid, index:, name:, by:)
          message = find(uid)
          raise Refused.new(:invalid, :not_held, name: name) unless @ports.names.find(name)

          code = @ports.messages.codes(uid).to_h["candidates"].to_a[index]
          raise Refused.new(:not_now, :no_such_code, id: uid) if code.nil?

          @ports.db.transaction do
            MessageEffects.new(@ports).keep_code(
              name,
              code,
              message.merge(sender: "#{message[:sender]} (#{by})")
            )
            @ports.messages.drop_codes(uid)
          end
        end

        private

        def find(uid) =
          @ports.messages.find(uid) || raise(Refused.new(:invalid, :no_message, id: uid))

        def put_right(message, kind, names, by, trust:)
          counts = trust || message[:trust] == "proven"
          key = trust ? :"post.counted" : :"post.put_right"
          move = names.filter_map { |n| @ports.moves.of_name(n).first }.first
          @ports.messages.correct(
            message[:uid],
            kind: kind,
            names: names,
            move_id: move&.id,
            trust: counts ? "proven" : message[:trust],
            link: link(message, kind, counts),
            because: message[:because] + [Words.say(key, by: by)],
            by: by
          )
          if trust && message[:trust] != "proven"
            MessageEffects.new(@ports).of(@ports.messages.find(message[:uid]))
          end
          note(message, kind, names, move, by, counts: counts)
        end

        # The link to approve with was not offered while its sender was doubtful.
        def link(message, kind, counts)
          unless counts && message[:link].nil? && Core::Post::Lexicon::ASKING.include?(kind)
            return message[:link]
          end

          urls = message[:links].filter_map { |url, _, role| url if role == "approve" }.uniq
          urls.first if urls.one?
        end

        # Later messages of this sender that read alike are taken so as well. Of a doubtful one
        # nobody knows whose it is: nothing is learnt from it.
        def remember(message, kind, by)
          return if message[:trust] == "doubtful"
          return if message[:read_kind].nil? || kind == message[:kind]

          @ports.letters.correct(
            message[:sender],
            message[:read_kind],
            kind,
            by: by,
            at: @ports.now
          )
        end

        def note(message, kind, names, move, by, counts:)
          about = names.empty? ? Words.phrase("journal.no_name") : names.join(", ")
          says =
            Words.phrase(
              "journal.mail_corrected",
              by: by,
              from: message[:sender],
              kind: Words.phrase("post.kinds.#{kind}"),
              about: about
            )
          data = {
            "kind" => kind,
            "deadline" => message[:deadline],
            "sender" => counts ? "proven" : message[:trust],
            "passed" => message[:facts]["passed"] || nil,
            "ended" => message[:facts]["ended"] || nil,
            "side" => move && Common::Parties.of(@ports, message[:sender], move)
          }.compact
          @ports.journal.add(
            "mail",
            at: @ports.now,
            by: by,
            move_id: move&.id,
            name: names.first,
            data: data,
            says: says
          )
        end
      end
    end
  end
end
