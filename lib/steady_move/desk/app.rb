# frozen_string_literal: true

require "yaml"

module SteadyMove
  module Desk
    # Everything a use case needs, put together once: store, ports to the outside, rulebook, clock.
    # clock: answers now; epp: Connections; rdap, dns, sender: wire clients (there may be no
    # sender); mailboxes: {id of the mailbox => its wire client}.
    class App
      attr_reader :db,
                  :safe,
                  :clock,
                  :accounts,
                  :names,
                  :imports,
                  :moves,
                  :schedule,
                  :journal,
                  :codes,
                  :zones,
                  :messages,
                  :overrides,
                  :letters,
                  :unrequested_transfers,
                  :watches,
                  :zone_migrations,
                  :batches,
                  :system_state,
                  :secrets,
                  :write_probe,
                  :sender,
                  :epp,
                  :rdap,
                  :dns,
                  :inboxes,
                  :mailboxes,
                  :random,
                  :settings,
                  :portfolio,
                  :forecasts,
                  :heard

      # config: Config; clock: answers now; random: for jitter and identifiers.
      def initialize(config, clock:, random: Random)
        @clock = clock
        @random = random
        @db = Upgrading.open(config)
        @safe = KeyChange.settle(config, @db)
        @secrets = Store::Secrets.new(@db, @safe)
        @write_probe = Store::WriteProbe.new(config.database)
        open_stores
        @published = Portfolio::Rulebooks.load(config.rulebook_folder)
        @config = config
        @portfolio = Portfolio::Holdings.new(self, keep: config.outlines_file)
        @forecasts = Forecast::Forecasts.new(self)
        open_settings
        @heard = Common::LastHeard.new(system_state)
        @epp = Accounts::Connections.new(timeout: config.timeout, clock: clock, told: heard)
        connect
      end

      # Makes the clients for the outside anew, after a setting has changed.
      def connect
        places = settings.places
        wait = @config.timeout
        @rdap = record_client(places)
        @dns =
          Wire::Dns::Client.new(
            servers: places.dns_servers,
            parents: places.dns_parents,
            timeout: [wait, 3].min,
            random: random
          )
        @mailboxes =
          inboxes.all.to_h do |box|
            [box.id, Wire::Mail::Mailbox.new(box.endpoint.merge(timeout: wait))]
          end
        @sender = places.outgoing && outgoing_client(places)
        self
      end

      # What the configuration file says, e.g. of logs, alerts and how long things are kept.
      attr_reader :config

      # Seconds after which somebody who does nothing is signed out.
      def idle = @config.idle
      # Where people reach the desk, e.g. https://desk.example, or nil where it isn't configured.
      def address = @config.address
      # May webhooks lead into networks of one's own?
      def hooks_inside = @config.hooks_inside
      def port = @config.port
      # Seconds after which facts are old.
      def facts_age = @config.facts_age

      # Are names looked at again by themselves?
      def watching? = @config.watch

      # The rulebook with this site's own words on it, as they stand.
      def rulebook
        places = @stamp.current
        held, book = @rulebook
        return book if held == places

        (@rulebook = [places, @published.with(overrides.active)].freeze).last
      end

      # Told of every look at a name that is held: (A-label, account, Look).
      def looked = Moves::UnrequestedTransfers.new(self).method(:seen)

      def now = clock.now
      # What hinders the database, in a sentence; nil where all is well.
      def trouble = write_probe.trouble
      def inspect = "#<Desk::App>"

      def close
        epp.close
        db.disconnect
      end

      private

      def record_client(places)
        Wire::Rdap::Client.new(
          bases: places.rdap_bases,
          timeout: @config.timeout,
          now: -> { now },
          told: ->(host, well, says) { hear("record #{host}", well, says) }
        )
      end

      def outgoing_client(places)
        told = ->(well, says) { hear("outgoing", well, says) }
        Wire::Mail::Sender.new(places.outgoing.merge(timeout: @config.timeout, told: told))
      end

      def hear(key, well, says)
        heard.note(key, at: now, well: well, says: says || Words.say(:"connections.answered"))
      end

      def open_settings
        @settings = Accounts::Settings.new(db, safe, @config, documents: @watches)
        rows = Store::Inboxes.new(db, safe)
        rows.settle(Store::SettingRows.new(db, safe), system_state, of_file: !@config.mailbox.nil?)
        @inboxes = Accounts::Inboxes.new(rows, @config)
      end

      def open_stores
        @journal = Store::Journal.new(db)
        @stamp = Store::ChangeCounter.new(db)
        @accounts = Store::Accounts.new(db, safe, @stamp)
        @names = Store::Names.new(db)
        @imports = Store::Imports.new(db)
        @moves = Store::Moves.new(db, journal)
        @schedule = Store::Schedule.new(db)
        @codes = Store::Codes.new(db, safe)
        @zones = Store::Zones.new(db)
        @messages = Store::Messages.new(db, safe)
        @overrides = Store::Overrides.new(db, @stamp)
        @letters = Store::Letters.new(db, safe)
        @unrequested_transfers = Store::UnrequestedTransfers.new(db)
        @watches = Store::Watches.new(db)
        @zone_migrations = Store::ZoneMigrations.new(db)
        @batches = Store::Batches.new(db)
        @system_state = Store::SystemState.new(db)
      end
    end
  end
end
