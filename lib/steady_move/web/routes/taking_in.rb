# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # Names taken in, from what somebody typed or from a table; and how far longer work has come.
      module TakingIn
        extend Answers

        # The lines' fates, or how far it is.
        module Helpers
          def looked_again(job)
            work(job) { |looked, problems| { looked: looked, problems: problems } }
          end
          def taken_in(job) = work(job) { |lines| { lines: lines.map(&:to_h) } }
        end

        on "takeIn" do
          account = account!(given["account"], "account")
          taking = Desk::Portfolio::TakingIn.new(desk)
          columns = given["columns"]
          wishes =
            (
              if columns
                Desk::Portfolio::TakingIn.table(given["text"], columns)
              else
                Desk::Portfolio::TakingIn.words(given["text"])
              end
            )
          who = me
          taken_in(
            application
              .jobs
              .start(by: who, of: wishes.size) do |j|
                taking.call(wishes, account, by: who) { j.done += 1 }
              end
          )
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

        on("lookAtTable") { Desk::Portfolio::TakingIn.look(given["text"]) }
        on("work") { taken_in(work_of(asked[:job])) }
      end
    end
  end
end
