# frozen_string_literal: true

module SteadyMove
  module Web
    module Views
      # A transfer that nobody here ordered as JSON, wherever it is shown.
      module StrayView
        module_function

        # stray: of Store::UnrequestedTransfers; known: Desk::Moves::UnrequestedTransfers.
        def row(stray, desk, known)
          account = desk.accounts.find(stray.account_id)
          {
            **Json.name(stray.name),
            at: account&.title,
            site: account&.habits&.fetch("site", nil),
            because: stray.because,
            requested_by: stray.requested_by,
            state: stray.state,
            how: stray.how,
            seen_at: Json.time(stray.seen_at),
            ended_at: Json.time(stray.ended_at),
            deadline: Json.time(known.deadline_of(stray)),
            assumed: stray.deadline.nil?,
            refusable: account&.epp? == true,
            said_refused: Json.time(stray.refused_at),
            expected_by: stray.expected_by,
            ordered_by: stray.ordered_by,
            shown: stray.shown,
            left: Desk::Moves::UnrequestedTransferSafety.new(desk).left(stray)
          }
        end
      end
    end
  end
end
