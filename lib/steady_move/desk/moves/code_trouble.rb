# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      # What is done about a code that is no good.
      module CodeTrouble
        # So often a code is fetched anew by the desk itself; then a person is asked (common
        # practice, no source).
        TRIES = 3

        private

        # The step in which a code is had anew: asked for by hand where the plan asks, else fetched.
        def code_step = plan.with_trait(:code).id
        def asked? = plan.with_trait(:code).by_hand?

        # 2202: wiped. Where a later one came, the registry is asked about that; else another is
        # fetched.
        def code_rejected
          later = ports.codes.proposed(plan.name).first
          return try_later(later) if later && ports.codes.take_proposed(plan.name)

          wiped_and_fetched
        end

        def wiped_and_fetched
          third = state.reopened(code_step) + 1 >= TRIES
          ports.codes.wipe_of_move(move.id)
          reopen(code_step, sentence("acts.code_rejected"))
          says = third ? "third" : "again"
          problem(
            sentence("acts.code_#{says}_#{asked? ? "asked" : "fetched"}"),
            source: [:epp, { at: gaining.title }],
            look_at: now + 900,
            yours: third
          )
        end

        def try_later(later)
          title = gaining.title
          says = Words.phrase("journal.code_proposed_taken", title: title, from: later[:sent_by])
          wait(says, source: [:epp, { at: title }], look_at: now)
        end
      end
    end
  end
end
