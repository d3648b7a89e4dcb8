# frozen_string_literal: true

require "time"
require "yaml"

module SteadyMove
  module Scripts
    # What a script was given on the command line, understood.
    class Setting
      MOST = 512 * 1024 * 1024

      # given: {at:, horizon:, to:, accounts:} as typed.
      def initialize(given, clock: Desk::SystemClock.new)
        @given = given
        @clock = clock
      end

      # The instant asked for, or now.
      def at
        @given[:at] ? Core::Instant.parse(@given[:at]) : @clock.now
      rescue ArgumentError
        raise Misused, "--at: “#{@given[:at]}” is not an instant such as 2027-03-01T08:00:00Z"
      end

      def horizon
        days = Integer(@given.fetch(:horizon, "400"), 10, exception: false)
        if days&.between?(1, 36_500)
          days
        else
          raise(Misused, "--horizon: “#{@given[:horizon]}” is not a number of days from 1 to 36500")
        end
      end

      # The account that names would go to: from a YAML file of accounts, or from the desk's own
      # database, which the block's configuration names. nil where none is asked for.
      def destination
        wanted = @given[:to] or return
        account = @given[:accounts] ? listed(wanted) : stored(wanted, yield)
        account or
          raise Misused,
                "--to: there is no account “#{wanted}” in " \
                  "#{@given[:accounts] || "the desk’s database"}"
      end

      # The text of a file, or of standard input for “-”.
      def read(file) = octets(file).force_encoding(Encoding::UTF_8).scrub("?")

      # The same as it is.
      def octets(file)
        text = file == "-" ? $stdin.binmode.read : File.binread(file)
        raise Misused, "it is larger than #{MOST} octets" if text.bytesize > MOST

        text
      rescue SystemCallError => e
        raise Misused, "it can't be read (#{e.message[/\A[^@]+/].strip})"
      end

      private

      # {id: {title:, suffixes:, payment:, reads_contacts:, takes_codes:}}
      def listed(wanted)
        all = YAML.safe_load_file(@given[:accounts])
        unless all.is_a?(Hash) && all.values.all?(Hash)
          raise Misused, "--accounts: a map of accounts is expected in #{@given[:accounts]}"
        end

        row = all[wanted] or return
        Desk::Accounts::Destinations.settings(
          Core::Accounts::Account.new(
            id: wanted,
            title: row.fetch("title", wanted),
            registrar: row["registrar"],
            habits: row
          )
        )
      rescue SystemCallError, Psych::SyntaxError => e
        raise Misused,
              "--accounts: #{@given[:accounts]} can't be read (#{e.message.lines.first.strip})"
      end

      def stored(wanted, config)
        unless File.exist?(config.database)
          raise Misused,
                "--to needs the accounts: give --accounts FILE, or run it where the desk's " \
                  "database is"
        end

        if Store::Database.behind?(config.database)
          raise Misused, "--to: start this version's desk once first"
        end

        db = Store::Database.open(config.database)
        Desk::Accounts::Destinations.settings(
          Store::Accounts.new(db, Store::Safe.at(config.key_file)).find(wanted)
        )
      ensure
        db&.disconnect
      end
    end
  end
end
