# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # The post: what came, dropped in or put right.
      module Post
        extend Answers

        PAGE = 100

        # The post as it is shown: those that want an answer, and a page of all.
        module Helpers
          def post_page(after: nil, limit: PAGE)
            page = desk.messages.page(after: after, limit: limit)
            asking =
              after ? [] : desk.messages.page(kinds: Core::Post::Lexicon::ASKING, limit: PAGE)
            over = over_among(page + asking)
            {
              messages: (page | asking).map { |m| shown(m, over) },
              held: desk.messages.count,
              kinds: Views::PostView.kinds,
              reading: application.runner.post.progress&.to_h,
              next: page.size == limit ? [page.last.at.to_i, page.last.id].join("-") : nil
            }
          end

          def shown(kept, over, **how)
            codes = kept.has_codes ? desk.messages.codes(kept.id).candidates : []
            Views::PostView.message(
              kept,
              now,
              over,
              codes: codes,
              stray: stray_about(kept),
              asked: sender_questions.of(kept),
              ordered: Desk::Moves::Ordered.any?(desk, kept.names),
              **how
            )
          end

          # One for all messages that are shown.
          def sender_questions = @sender_questions ||= Desk::Mail::SenderQuestion.new(desk)

          # The alarm of a name that a message asks about.
          def stray_about(kept)
            return unless Desk::Moves::UnrequestedTransfers::NOTICES.include?(kept.kind)

            kept.names.filter_map { |name| stray_of(name) }.first
          end

          # One message with the whole of its text; raises Problem 404.
          def whole_message(id)
            kept = desk.messages.find(id) or raise Problem.say(404, :no_message)
            shown(kept, over_among([kept]), whole: true)
          end

          # Ids of moves whose release no longer waits for an answer.
          def over_among(messages)
            moves = desk.moves.find_all(messages.filter_map(&:move_id).uniq)
            moves.select { |m| Views::PostView.over?(m.state) }.to_set(&:id)
          end
        end

        on("post") { post_page(after: cursor(asked[:after], 2), limit: asked.fetch(:limit, PAGE)) }

        on "fetchPost" do
          raise Desk::Refused.new(:not_now, :no_mailbox) if desk.mailboxes.empty?

          application.runner.post.fetch
          nudge
          post_page
        end

        on("message") { whole_message(asked[:id]) }

        on "fetchBody" do
          application.runner.post.fetch_body(asked[:id])
          nudge
          whole_message(asked[:id])
        end

        # The body is the message itself (RFC 5322), as it was saved.
        on "dropMessage" do
          raw = read_body
          unless Desk::Mail::PostRoom.new(desk).drop(raw, by: me)
            raise Desk::Refused.new(:not_now, :message_there)
          end

          nudge
          post_page
        end

        # For whoever has to see it as it came: what is masked elsewhere stands in it, so it is
        # written down who looked.
        on "originalMessage" do
          raw = desk.messages.original(asked[:id]) || raise(Problem.say(404, :no_original))
          desk.journal.add(
            "mail-seen",
            at: now,
            by: me,
            says: Words.phrase("journal.original_seen", by: me, number: asked[:id])
          )
          attachment "message-#{asked[:id]}.eml"
          headers "Cache-Control" => "no-store"
          content_type "message/rfc822"
          raw
        end

        on "answerSender" do
          sender_questions.answer(asked[:id], account_id: given["account"], by: me)
          nudge
          post_page
        end

        on "countMessage" do
          Desk::Mail::Replies.new(desk).trust(asked[:id], by: me)
          nudge
          post_page
        end

        on "chooseCode" do
          Desk::Mail::Replies.new(desk).choose_code(
            asked[:id],
            index: given["index"],
            name: given["name"],
            by: me
          )
          nudge
          post_page
        end

        on "correctMessage" do
          Desk::Mail::Replies.new(desk).correct(
            asked[:id],
            kind: given["kind"],
            names: given["names"],
            trust: given["trust"] == true,
            by: me
          )
          nudge
          post_page
        end
      end
    end
  end
end
