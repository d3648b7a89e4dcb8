# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # Letters to support: drafted, sent, reminded of.
      module Letters
        extend Answers

        # The draft that is asked for.
        module Helpers
          def letters = Desk::Letters::LetterWriter.new(desk)

          # Anew with the reference that an earlier look at it gave.
          def draft(given)
            known = { by: me, message_id: given["message_id"] }
            ready =
              if given["reminds"]
                letters.reminder(given["reminds"], **known)
              else
                letters.draft(given["account"], reference: given["reference"], **known)
              end
            ready or raise Desk::Refused.new(:not_now, :nothing_to_write)
          end
        end

        on("draftLetter") { Views::ManualStepsView.draft(draft(given)) }

        on "sendLetter" do
          reminds = given["reminds"]
          account = reminds ? desk.letters.find(reminds)&.fetch(:account_id) : given["account"]
          letters.send(
            draft(given),
            account_id: account,
            by: me,
            how: given["how"],
            text: given["text"],
            reminds: reminds
          )
          done
        end
      end
    end
  end
end
