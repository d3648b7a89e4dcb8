# frozen_string_literal: true

module SteadyMove
  module Desk
    # What acts may use, and nothing more. clock: answers now; rulebook: answers the book as it stands; epp:
    # Connections;
    # observe: looks a name up again; servers: Zones, what name servers say; correspondence: Letters.
    StepPorts = Struct.new(:clock, :random, :journal, :accounts, :names, :codes, :zones, :schedule, :letters,
      :rulebook, :epp, :rdap,
      :dns, :carries, :carrying, :zone_getting,
      :live_check, :observe, :servers, :correspondence, :db, keyword_init: true) do
      def now = clock.now

      def self.of(app)
        new(clock: app.clock, random: app.random, journal: app.journal, accounts: app.accounts, names: app.names,
          codes: app.codes,
          zones: app.zones, schedule: app.schedule, letters: app.letters, rulebook: app.method(:rulebook), epp: app.epp,
          rdap: app.rdap, dns: app.dns, carries: app.carries, carrying: Carrying.new(app),
          zone_getting: ZoneGetting.new(app),
          live_check: LiveCheck.new(app),
          observe: Observe.new(app), servers: Zones.new(app),
          correspondence: Letters.new(app),
          db: app.db)
      end
    end
  end
end
