# frozen_string_literal: true

require "lockbox"

module SteadyMove
  module Desk
    # Another key: everything that is sealed is sealed anew, in one transaction. The new key is
    # written beside the old one first; whichever of the two fits the database is the key, so an
    # interruption at any point loses nothing.
    module KeyChange
      module_function

      def beside(config) = "#{config.key_file}.new"

      # The desk must not run. Returns how many things were sealed anew. Raises Refused or
      # Store::Database::Unusable.
      def call(config)
        unless File.exist?(config.database)
          raise Refused.new(:unusable, :no_database, folder: config.data)
        end

        db = Store::Database.open(config.database)
        old = settle(config, db)
        FileUtils.rm_f(beside(config))
        Store::Safe.keep(beside(config), Lockbox.generate_key)
        fresh = Store::Safe.at(beside(config))
        count = db.transaction { Store::Seals.change(db, old, fresh) }
        settle(config, db)
        count
      ensure
        db&.disconnect
      end

      # Ends a change that was interrupted: the key that fits is the key. One that doesn't fit stays
      # beside it, since a change may be under way just now. Returns the safe. Raises
      # Store::Database::Unusable where none fits.
      def settle(config, db)
        other = beside(config)
        if File.exist?(other) && Store::Seals.any?(db) &&
             Store::Seals.fits?(db, Store::Safe.at(other))
          rename(other, config.key_file)
        end
        safe = Store::Safe.at(config.key_file, sealed: Store::Seals.any?(db))
        check(db, safe, config.key_file)
        safe
      end

      # Somebody else who settles the same may have been first.
      def rename(from, to)
        File.rename(from, to)
      rescue Errno::ENOENT
        raise unless File.exist?(to)
      end

      # Raises Store::Database::Unusable where a safe doesn't open what is sealed. file: of its key,
      # to name it.
      def check(db, safe, file)
        return if Store::Seals.fits?(db, safe)

        raise Store::Database::Unusable,
              Words.say(:"key.other", file: file, database: db.opts[:database])
      end
      private_class_method :rename
    end
  end
end
