# frozen_string_literal: true

module SteadyMove
  # What keeps a desk, from its machine's command line: backups, verification, the key, a way back in.
  class Keeping
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
    def check(file) = tell(Desk::Backup.check(file), "#{file} can be restored: nothing is wrong in it.")

    # Returns 1 where something is wrong in the database.
    def verify
      with_desk do |app|
        tell(Desk::Verification.new(app.db, app.safe).problems, "Nothing is wrong in #{@config.data}.")
      end
    end

    def change_key
      lock = Desk::Lock.take(@config)
      count = Desk::KeyChange.call(@config)
      @out.puts "#{count} secrets are sealed with a new key, which is in #{@config.key_file}; old backups hold the " \
                "old one. Everybody signs in anew."
      0
    ensure
      lock&.release
    end

    # For one whom no administrator can help: a link to choose a new password.
    def password(email)
      with_desk do |app|
        people = Desk::People.new(app)
        person = people.by_email(email) or raise Desk::Refused.new(:unusable, :nobody_here, email: email)
        word = people.password_words.make(person[:id], by: "the command line")
        place = app.address || "http://127.0.0.1:#{@config.port}"
        @out.puts "Within an hour, choose the new password at #{place}/new-password##{word}"
        0
      end
    end

    private

    def with_desk
      raise Desk::Refused.new(:unusable, :no_database, folder: @config.data) unless File.exist?(@config.database)

      app = Desk::App.new(@config, clock: Desk::SystemClock.new)
      yield app
    ensure
      app&.close
    end

    def tell(problems, well)
      @out.puts(problems.empty? ? well : problems)
      problems.empty? ? 0 : 1
    end
  end
end
