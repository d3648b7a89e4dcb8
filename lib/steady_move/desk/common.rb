# frozen_string_literal: true

module SteadyMove
  module Desk
    # The floor that every other room stands on: how a move's sentences are worded, what name
    # servers say, who is who in a transfer, why a plan is refused, whose mailbox decides, what was
    # last heard.
    #
    #   Common::MoveWords.values(plan, accounts)      # names of accounts and hosts for a sentence
    #   Common::Zones.new(desk).delegation(name)      # what the registry's name servers show
    #   Common::Refusals.new(judged, account, host).all
    module Common
      extend Room

      needs :accounts, :dns, :now, :sender, :settings
      offers :ContactRoles,
             :ExpiryAfter,
             :Heard,
             :HolidayCalendar,
             :LastHeard,
             :MoveWords,
             :OwnMail,
             :Parties,
             :Refusals,
             :Zones
    end
  end
end
