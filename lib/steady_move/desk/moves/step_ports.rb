# frozen_string_literal: true

require "forwardable"

module SteadyMove
  module Desk
    module Moves
      # What acts may use, and nothing more. What a setting can replace is asked for whenever it is
      # used, so that a desk that was set up on its screens works at once. clock: answers now;
      # rulebook: answers the book as it stands; epp: Connections; observe: looks a name up again;
      # servers: Zones, what name servers say; correspondence: Letters; notes: what people noted.
      class StepPorts
        extend Forwardable

        def_delegators :@ports,
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

        attr_reader :carrying,
                    :zone_getting,
                    :live_check,
                    :observe,
                    :servers,
                    :correspondence,
                    :notes

        def self.of(ports) = new(ports)

        def initialize(ports)
          @ports = Ports.of(ports)
          @carrying = Records::ZoneMigration.new(@ports)
          @zone_getting = Records::ZoneGetting.new(@ports)
          @live_check = Records::LiveCheck.new(@ports)
          @observe = Portfolio::Observe.new(@ports)
          @servers = Common::Zones.new(@ports)
          @correspondence = Letters::LetterWriter.new(@ports)
          @notes = Portfolio::Notes.new(@ports)
        end

        def rulebook = @ports.method(:rulebook)
        def inspect = "#<StepPorts>"
      end
    end
  end
end
