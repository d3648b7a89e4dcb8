# frozen_string_literal: true

require "forwardable"

module SteadyMove
  module Desk
    # What acts may use, and nothing more. What a setting can replace is asked for whenever it is
    # used, so that a desk that was set up on its screens works at once. clock: answers now;
    # rulebook: answers the book as it stands; epp: Connections; observe: looks a name up again;
    # servers: Zones, what name servers say; correspondence: Letters.
    class StepPorts
      extend Forwardable

      def_delegators :@app,
                     :clock,
                     :random,
                     :journal,
                     :accounts,
                     :names,
                     :codes,
                     :zones,
                     :schedule,
                     :letters,
                     :epp,
                     :rdap,
                     :dns,
                     :zone_migrations,
                     :db,
                     :now

      attr_reader :carrying, :zone_getting, :live_check, :observe, :servers, :correspondence

      def self.of(app) = new(app)

      def initialize(app)
        @app = app
        @carrying = ZoneMigration.new(app)
        @zone_getting = ZoneGetting.new(app)
        @live_check = LiveCheck.new(app)
        @observe = Observe.new(app)
        @servers = Zones.new(app)
        @correspondence = Letters.new(app)
      end

      def rulebook = @app.method(:rulebook)
      def inspect = "#<StepPorts>"
    end
  end
end
