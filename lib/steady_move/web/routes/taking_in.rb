# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # Names taken in from what somebody pasted: seen before, kept, undone; and looked up again.
      module TakingIn
        extend Answers

        # So many of the last imports are shown.
        LAST = 8

        # What was chosen, and how far it is.
        module Helpers
          def looked_again(job)
            work(job) { |looked, problems| { looked: looked, problems: problems } }
          end

          def imports = Desk::Portfolio::Imports.new(desk)

          # Core::Imports::Choices, as they were given.
          def import_choices
            account!(given["account"], "account") if given["account"]
            mended = given.fetch("mended", []).group_by { |cell| cell["place"] }
            Core::Imports::Choices.new(
              **given.slice("as", "kinds", "account").transform_keys(&:to_sym),
              settled: Core::Imports::Cells::Settled.new(**settled),
              mended: mended.transform_values { |cells| texts(cells) },
              left_out: given.fetch("left_out", []),
              clear: given.fetch("clear", false),
              accounts: given.fetch("accounts", {})
            )
          end

          # Where a person has enough under way already, the engine goes on with it.
          def go_on(id)
            application.jobs.start(by: me, of: 1) { imports.go_on(id) }
          rescue Desk::Refused
            nil
          end

          def settled = given.slice("order", "decimal", "currency").transform_keys(&:to_sym)
          def texts(cells) = cells.to_h { |cell| [cell["column"], cell["text"]] }

          def import_state(id)
            import = desk.imports.find(id) or raise Desk::Refused.new(:unknown, :no_import, id: id)
            Views::ImportView.state(desk, import)
          end
        end

        on "previewImport" do
          Views::ImportView.preview(imports.preview(given["text"], import_choices), imports)
        end

        on "takeIn" do
          id = imports.start(given["text"], import_choices, by: me)
          go_on(id)
          import_state(id)
        end

        on("imports") do
          last = desk.imports.last(LAST)
          { imports: last.map { |import| Views::ImportView.state(desk, import) } }
        end

        on("importState") { import_state(asked[:id]) }

        on "undoImport" do
          Desk::Portfolio::ImportUndoing.new(desk).call(asked[:id], by: me)
          import_state(asked[:id])
        end

        on "lookAgain" do
          names = given["names"]
          looked_again(
            application
              .jobs
              .start(by: me, of: names.size) do |j|
                Desk::Portfolio::LookingAgain.new(desk).call(names) { j.done += 1 }
              end
          )
        end

        on("lookWork") { looked_again(work_of(asked[:job])) }
      end
    end
  end
end
