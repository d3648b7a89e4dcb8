# frozen_string_literal: true

require "date"

module SteadyMove
  # What keeps a desk, from the command line: backups, verification, the key, people, exports,
  # purges. Nothing here migrates a database: that is done by whoever serves it.
  class AdminCommands
    def initialize(config, out)
      @config = config
      @out = out
    end

    def backup(file)
      Desk::Backup.make(@config, file)
      @out.puts "The backup is in #{file}; it holds the key, keep it safe."
      0
    end

    def restore(file)
      Desk::Backup.restore(@config, file)
      @out.puts "Restored into #{@config.data}."
      0
    end

    # Returns 1 where something is wrong in the archive.
    def check(file)
      tell(Desk::Backup.check(file), "#{file} can be restored: nothing is wrong in it.")
    end

    # Returns 1 where something is wrong in the database.
    def verify
      with_desk do |app|
        tell(
          Desk::Verification.new(app.db, app.safe).problems,
          "Nothing is wrong in #{@config.data}."
        )
      end
    end

    # Sends a trial by each way that alerts have. Returns 1 where none is set, or one fails.
    def test_alert
      with_desk do |app|
        tried = Desk::Operations::Alerts.new(app, Desk::Engine::StepRunner.new(app)).try
        tried.each { |way, says| @out.puts("#{way}: #{says || "a trial went out"}") }
        @out.puts(Words.say(:"health.no_way")) if tried.empty?
        tried.any? && tried.values.none? ? 0 : 1
      end
    end

    def change_key
      with_desk { nil } # not one that an older version wrote
      lock = Desk::Lock.take(@config)
      count = Desk::KeyChange.call(@config)
      @out.puts "#{count} secrets are sealed with a new key, which is in #{@config.key_file}; " \
                  "old backups hold the " \
                  "old one. Everybody signs in anew."
      0
    ensure
      lock&.release
    end

    # Everything in open formats, into a new folder.
    def export(folder)
      with_desk do |app|
        count = Desk::Operations::Export.new(app, folder).call.values.sum
        app.journal.add(
          "exported",
          at: app.now,
          by: PeopleCommands::BY,
          says: Words.phrase("journal.exported", by: PeopleCommands::BY, count: count)
        )
        @out.puts "#{count} lines are in #{folder}; see README.txt there."
        0
      end
    end

    # An export, into a data folder that holds nothing yet.
    def import(folder)
      lock = Desk::Lock.take(@config)
      app = Desk::App.new(@config, clock: Desk::SystemClock.new)
      count = Desk::Operations::Import.new(app, folder).call.values.sum
      app.journal.add(
        "imported",
        at: app.now,
        by: PeopleCommands::BY,
        says: Words.phrase("journal.imported", by: PeopleCommands::BY, count: count)
      )
      @out.puts "#{count} lines are in #{@config.data}; everybody chooses a new password: people " \
                  "password EMAIL."
      0
    ensure
      app&.close
      lock&.release
    end

    # before: a date; what is older is cleared, the journal stays.
    def purge(before)
      with_desk do |app|
        found = Desk::Operations::Retention.new(app).purge(date(before), by: PeopleCommands::BY)
        @out.puts "Cleared: #{found.map { |kind, count| "#{kind} #{count}" }.join(", ")}."
        0
      end
    end

    def people(command, words)
      with_desk { |app| PeopleCommands.new(app, @out).call(command, words) }
    end

    private

    def with_desk
      unless File.exist?(@config.database)
        raise Desk::Refused.new(:unusable, :no_database, folder: @config.data)
      end

      if Store::Database.behind?(@config.database)
        raise Desk::Refused.new(:unusable, :upgrade_first, database: @config.database)
      end

      app = Desk::App.new(@config, clock: Desk::SystemClock.new)
      yield app
    ensure
      app&.close
    end

    def date(text)
      Date.iso8601(text).then { |d| Time.utc(d.year, d.month, d.day) }
    rescue Date::Error
      raise Desk::Refused.new(:unusable, :no_instant, given: text)
    end

    def tell(problems, well)
      @out.puts(problems.empty? ? well : problems)
      problems.empty? ? 0 : 1
    end
  end
end
