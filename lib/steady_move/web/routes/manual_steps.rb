# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # What people do by hand: acts by place, consent, codes pasted.
      module ManualSteps
        extend Answers

        # The page that every answer here shows anew.
        module Helpers
          def manual_steps = Desk::Moves::ManualSteps.new(desk)
          def manual_page =
            Views::ManualStepsView.page(desk, manual_steps, Desk::Letters::LetterWriter.new(desk))

          # Orders that were placed at a registrar's pages, with what was told there.
          def ordered(steps, told)
            charged = told["charged"]&.then { |c| Core::Money::Amount.of(c) }
            Desk::Moves::ManualOrders.new(desk).ordered(
              steps,
              by: me,
              number: told["number"],
              charged: charged,
              accept_price: told["accept_price"] == true
            )
            done
          end

          def done
            nudge
            manual_page
          end
        end

        on("hands") { manual_page }

        on "visit" do
          Views::ManualStepsView.visit(
            application.presence.here("visit #{asked[:id]}", me),
            manual_steps.proven(asked[:id])
          )
        end

        on "said" do
          steps = given["steps"].map { |s| [s["move"], s["step"]] }
          told = given["order"] and next ordered(steps, told)
          manual_steps.said(steps, by: me)
          done
        end

        on "unsaid" do
          manual_steps.unsaid(given["steps"].map { |s| [s["move"], s["step"]] }, by: me)
          done
        end

        on "settleLeavings" do
          Desk::Closing::LeftBehind.new(desk).settle_all(
            given["moves"],
            given["key"],
            state: given["state"],
            by: me,
            reason: given["reason"]
          )
          done
        end

        on "letterLeft" do
          Desk::Letters::LetterWriter.new(desk).left(asked[:id], left: given["left"], by: me)
          done
        end

        # The codes are on their way to a clipboard: nobody keeps the answer.
        on "orderList" do
          text, apart =
            Desk::Moves::ManualOrders.new(desk).list(given["account"], by: me, ids: given["moves"])
          headers "Cache-Control" => "no-store"
          { text: text, apart: apart }
        end

        on "orderRefused" do
          Desk::Moves::ManualOrders.new(desk).refused(
            given["move"],
            why: given["why"],
            words: given["words"],
            by: me
          )
          done
        end

        on "stepRefused" do
          manual_steps.refused(given["move"], given["step"], words: given["words"], by: me)
          done
        end

        on "consent" do
          manual_steps.consent(
            given["moves"],
            given_by: given["given_by"],
            ends: Contract.instant(given["until"]),
            by: me
          )
          done
        end

        on "newCode" do
          manual_steps.new_code(given["move"], by: me)
          done
        end

        on "pasteCode" do
          says = Desk::Accounts::CodeSafe.new(desk).put(given["name"], given["code"], by: me)
          nudge
          { says: says }
        end
      end
    end
  end
end
