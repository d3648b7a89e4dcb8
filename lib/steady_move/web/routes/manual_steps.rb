# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # What people do by hand: acts by place, consent, codes pasted.
      module ManualSteps
        extend Answers

        # The page that every answer here shows anew.
        module Helpers
          def manual_steps = Desk::ManualSteps.new(desk)
          def manual_page = Views::ManualStepsView.page(desk, manual_steps, Desk::Letters.new(desk))

          def done
            nudge
            manual_page
          end
        end

        on("hands") { manual_page }

        on "said" do
          manual_steps.said(given["steps"].map { |s| [s["move"], s["step"]] }, by: me)
          done
        end

        on "consent" do
          manual_steps.consent(given["moves"], given_by: given["given_by"], ends: Contract.instant(given["until"]),
            by: me)
          done
        end

        on "newCode" do
          manual_steps.new_code(given["move"], by: me)
          done
        end

        on "pasteCode" do
          says = Desk::CodeSafe.new(desk).put(given["name"], given["code"], by: me)
          nudge
          { says: says }
        end
      end
    end
  end
end
