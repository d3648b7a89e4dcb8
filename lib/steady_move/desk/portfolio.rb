# frozen_string_literal: true

module SteadyMove
  module Desk
    # Every name that is held: taken in, looked up, judged, listed; what people noted of it, and the
    # site's own words on the rulebook.
    #
    #   Portfolio::Judging.new(desk).one("tide.example", to: "orlop")
    #   Portfolio::Observe.new(desk).name(name, account)        # tells desk.looked what it saw
    module Portfolio
      extend Room

      needs :accounts,
            :codes,
            :db,
            :epp,
            :facts_age,
            :imports,
            :journal,
            :letters,
            :looked,
            :moves,
            :names,
            :now,
            :overrides,
            :random,
            :rdap,
            :rulebook,
            :safe,
            :unrequested_transfers,
            :watches,
            :watching?,
            :zone_migrations
      offers :CarryHosts,
             :Comments,
             :DeferredLookups,
             :Gates,
             :Holdings,
             :ImportUndoing,
             :Imports,
             :Judging,
             :Look,
             :LookingAgain,
             :NameTable,
             :NamesQuery,
             :Notes,
             :Observe,
             :Picking,
             :Overruling,
             :Rulebooks,
             :TakingIn,
             :Watch
    end
  end
end
