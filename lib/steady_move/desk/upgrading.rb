# frozen_string_literal: true

module SteadyMove
  module Desk
    # The database as this version wants it. Before an older one is brought to today's schema a
    # backup of it is made and tried: it is opened, walked through and migrated itself. Nothing that
    # is missing is made anew in silence.
    module Upgrading
      module_function

      # Returns a Sequel database. Raises Store::Database::Unusable or Refused.
      def open(config)
        missing(config)
        db = Store::Database.open(config.database, before: -> { back_up(config) })
        Store::Database.check(db, config.database)
        db
      end

      # Where the backup before today's migration goes.
      def file(config, at)
        File.join(config.data, "before-#{VERSION}-#{at.utc.strftime("%Y%m%dT%H%M%SZ")}.zip")
      end

      # A key without what it sealed: the database was lost, or its folder is another.
      def missing(config)
        return if File.size?(config.database) || !File.exist?(config.key_file)

        raise Store::Database::Unusable,
              Words.say(:"key.alone", file: config.key_file, database: config.database)
      end

      def back_up(config, clock: SystemClock.new)
        file = file(config, clock.now)
        Backup.make(config, file)
        found = Backup.check(file)
        return file if found.empty?

        File.rename(file, "#{file}.broken")
        raise Store::Database::Unusable,
              Words.say(:"backups.not_migrated", file: "#{file}.broken", says: found.first)
      end
      private_class_method :missing, :back_up
    end
  end
end
