# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # The code safe. A code itself is in one answer only: that of its reveal.
      module Codes
        extend Answers

        # The safe, and what of it is shown.
        module Helpers
          def safe = Desk::Accounts::CodeSafe.new(desk)

          def held_codes
            {
              codes: safe.all.map { |h| Views::Json.value(h.to_h).merge(Views::Json.name(h.name)) },
              choices: choices
            }
          end

          # Names that have two codes.
          def choices
            safe.choices.map { |c| Views::Json.value(c.to_h).merge(Views::Json.name(c.name)) }
          end
        end

        on("codes") { held_codes }
        on("previewCodes") { { lines: safe.preview(given["text"]).map(&:to_h) } }
        on("keepCodes") do
          { lines: safe.keep(given["text"], by: me, only: given["only"]).map(&:to_h) }
        end

        on "revealCode" do
          headers "Cache-Control" => "no-store"
          { code: safe.reveal(asked[:name], by: me, copied: given["copied"] == true) }
        end

        on("checkCode") { { state: safe.check(asked[:name], by: me) } }

        on "chooseOfTwo" do
          safe.choose(asked[:name], later: given["later"], by: me)
          held_codes
        end

        on "wipeCode" do
          safe.wipe(asked[:name], by: me)
          held_codes
        end
      end
    end
  end
end
