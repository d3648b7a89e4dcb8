# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # A client's yes to a batch: asked for by whoever moves names, given by whoever has the secret
      # address. Its secret part stands behind # there, so that no log has it.
      module Agreements
        extend Answers

        # What can be agreed to, and what was.
        module Helpers
          def agreements = Desk::Batches::Agreements.new(desk)

          def agreement_page(word)
            batch, *asked = agreements.find(word)
            raise Desk::Refused.new(:unknown, :no_agreement) unless batch

            Views::AgreementView.page(batch, asked)
          end
        end

        on "askClient" do
          word = agreements.ask(asked[:id], by: me, client: given["client"])
          headers "Cache-Control" => "no-store"
          { address: "#{own_address}/agreement##{word}", sheet: batch_sheet(asked[:id]) }
        end

        on "endAgreement" do
          agreements.finish(asked[:id], by: me, client: given["client"])
          batch_sheet(asked[:id])
        end

        on("agreement") { agreement_page(given["word"]) }

        on "answerAgreement" do
          agreements.answer(
            given["word"],
            answer: given["answer"],
            by: given["by"],
            says: given.fetch("says", "")
          )
          nudge
          agreement_page(given["word"])
        end
      end
    end
  end
end
