# frozen_string_literal: true

module SteadyMove
  module Desk
    # Where names are held and served: accounts, DNS hosts and what they are like; connections to
    # them, destinations and whether they can take an order, the desk's settings, and the code safe.
    #
    #   Accounts::Endpoints.new(desk).add_account(fields, by: person)
    #   Accounts::DestinationChecks.new(desk).run(account, suffix: "org", total: amount)
    module Accounts
      extend Room

      needs :accounts,
            :codes,
            :connect,
            :epp,
            :heard,
            :journal,
            :moves,
            :names,
            :now,
            :random,
            :rdap,
            :rulebook,
            :schedule,
            :settings,
            :watches
      offers :Bootstrap,
             :CodeSafe,
             :Connections,
             :DestinationChecks,
             :Destinations,
             :Endpoints,
             :Habits,
             :HostFacts,
             :Inboxes,
             :Settings
    end
  end
end
