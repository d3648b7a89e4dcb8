# frozen_string_literal: true

module SteadyMove
  module Desk
    # Backups that make themselves: one a day or as often as is set, into a folder, each tried by
    # opening it; the oldest beyond the number that is kept go.
    class ScheduledBackups
      NAME = /\Asteady-move-\d{8}T\d{6}Z\.zip\z/
      LOOK = 60
      EVERY = 86_400

      # config: Config with `backup`; clock: answers now (the machine's own time); told:
      # Store::SystemState, where it is written down how the last one went, or nil.
      def initialize(config, clock: SystemClock.new, told: nil)
        @config = config
        @told = told
        @folder = config.backup&.fetch("folder", nil)
        @keep = config.backup&.fetch("keep", nil) || 7
        @every = config.backup&.fetch("every", nil) || EVERY
        @clock = clock
      end

      def on? = !@folder.nil?
      def newest = files.last

      # Makes one where one is due. Returns nil, or a sentence of what went wrong.
      def call
        return unless on? && due?

        FileUtils.mkdir_p(@folder, mode: 0o700)
        file = File.join(@folder, "steady-move-#{@clock.now.utc.strftime("%Y%m%dT%H%M%SZ")}.zip")
        Backup.make(@config, file)
        note(tried(file) || files[0...-@keep].each { |old| FileUtils.rm_f(old) }.then { nil })
      rescue Refused, SystemCallError => e
        note(Words.say(:"backups.not_made", says: e.message))
      end

      # Looks once in a while, until the thread is ended. on_trouble: called with a sentence.
      def start(&on_trouble)
        return unless on?

        Thread.new do
          loop do
            call&.then(&on_trouble)
            sleep LOOK
          end
        end
      end

      private

      # Writes down how it went; returns what went wrong, or nil.
      def note(trouble)
        says = trouble || Words.say(:"health.backup_made")
        @told &&
          @told["backup"] = { "at" => @clock.now.to_i, "well" => trouble.nil?, "says" => says }
        trouble
      rescue Sequel::DatabaseError
        trouble
      end

      def files
        Dir[File.join(@folder, "steady-move-*.zip")].grep(
          ->(f) { File.basename(f).match?(NAME) }
        ).sort
      end

      def due?
        last = newest && File.basename(newest)[/\d{8}T\d{6}Z/]
        last.nil? || @clock.now - Time.strptime("#{last[0..-2]} UTC", "%Y%m%dT%H%M%S %Z") >= @every
      end

      # A backup that can't be opened again is none: it is kept aside and told of.
      def tried(file)
        problems = Backup.check(file)
        return if problems.empty?

        File.rename(file, "#{file}.broken")
        Words.say(:"backups.broken", file: "#{file}.broken", says: problems.first)
      end
    end
  end
end
