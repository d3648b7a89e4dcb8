# frozen_string_literal: true

module SteadyMove
  module Desk
    module Letters
      # Whom to ask where a move is late, and a letter that does.
      class LateLetter
        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # The account that is asked about a move's present step, or nil where it is nobody else's.
        def whom(move)
          step = move.state.current&.step or return
          side =
            { "gaining" => move.to_account, "losing" => move.from_account }[
              step.place || step.talks_to
            ]
          @ports.accounts.find(side || move.to_account)
        end

        # Returns Core::Letters::Draft; raises Refused where the move waits for nobody else.
        def draft(move, by:)
          account = whom(move)
          current = move.state.current
          unless account && current&.turn == "theirs"
            raise Refused.new(:not_now, :nobody_to_ask, name: move.name)
          end

          words = Common::MoveWords.values(move.plan, @ports.accounts)
          title =
            Words.say(
              :"steps.#{current.step.id}.title",
              contact: Words.say(:"common.its_contact"),
              **words
            )
          text =
            %w[greeting asked waits please thanks].map do |part|
              Words.say(
                :"late_letter.#{part}",
                **words,
                title: account.title,
                since: Words.moment(current.since),
                what: title,
                by: by
              )
            end
          Core::Letters::Draft.new(
            to: account.habits["support"].to_s,
            kinds: %w[late],
            names: [move.name],
            subject: Words.say(:"late_letter.subject", name: move.name),
            text: text.join("\n\n")
          )
        end
      end
    end
  end
end
