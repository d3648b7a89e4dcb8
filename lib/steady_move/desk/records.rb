# frozen_string_literal: true

module SteadyMove
  module Desk
    # A name's records between its present DNS host and the next: getting the zone, setting both
    # sides side by side, deciding, watching what every server answers, services tied to the old
    # account.
    #
    #   Records::ZoneMigration.new(desk).sheet("tide.example")
    #   Records::LiveCheck.new(desk).run("tide.example")
    module Records
      extend Room

      needs :accounts, :db, :dns, :journal, :moves, :names, :now, :random, :zone_migrations
      offers :Choosing,
             :HostQuestion,
             :LiveCheck,
             :RecordsList,
             :TiedServices,
             :ZoneGetting,
             :ZoneMigration
    end
  end
end
