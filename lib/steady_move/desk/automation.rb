# frozen_string_literal: true

module SteadyMove
  module Desk
    # Who is told without asking: notices and alarms by mail, webhooks, calendars, status pages; and
    # the tokens by which programs ask.
    #
    #   Automation::Notices.new(desk).tell
    #   Automation::Calendars.new(desk).feed(token)
    module Automation
      extend Room

      needs :accounts,
            :address,
            :batches,
            :db,
            :forecasts,
            :hooks_inside,
            :journal,
            :moves,
            :names,
            :now,
            :safe,
            :sender,
            :system_state,
            :unrequested_transfers
      offers :Calendars,
             :Notices,
             :SignInMails,
             :StatusPages,
             :StatusText,
             :Tokens,
             :UnrequestedTransferAlarms,
             :Webhooks
    end
  end
end
