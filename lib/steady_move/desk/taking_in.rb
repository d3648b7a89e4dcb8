# frozen_string_literal: true

module SteadyMove
  module Desk
    # Takes names in from what somebody typed or from a table; each line's fate is told, and nothing good is lost beside the bad.
    class TakingIn
      # The table can't be read; says where and why.
      class Unreadable < StandardError; end

      # fate: taken, corrected, known or refused; says: why, or from what to what.
      Line = Struct.new(:typed, :fate, :name, :says, keyword_init: true)
      # One thing to take in: what was typed, the account's id or title where the table names it, notes by key.
      Wish = Struct.new(:typed, :account, :notes, keyword_init: true)
      # What a table's column may hold, and words of headers that seem to say so.
      COLUMNS = { "name" => %w[domain name], "account" => %w[account registrar], "expires_at" => %w[expir], "paid" => %w[paid], "privacy" => %w[privacy],
                  "registrant_email" => %w[mail], "premium" => %w[premium] }.freeze
      FLAGS = { "yes" => true, "true" => true, "1" => true, "on" => true, "no" => false, "false" => false, "0" => false, "off" => false }.freeze

      def initialize(app)
        @app = app
        @suffixes = app.rulebook.deep_suffixes
      end

      # Names parted by blanks, commas, semicolons or lines; “#” begins a comment. Returns [Wish].
      def self.words(text)
        text.each_line.flat_map { |l| l.sub(/(?:\A|\s)#.*/, "").split(/[\s,;]+/) }.reject(&:empty?).map { |w| Wish.new(typed: w, notes: {}) }
      end

      # A table's first lines and which column seems to hold what: {header:, rows:, guess: {key => index}}. Raises Unreadable.
      def self.look(text)
        rows = Wire::Csv.read(text).map(&:last)
        header = rows.first || []
        guess = COLUMNS.filter_map { |key, words| (i = header.index { |h| words.any? { |w| h.downcase.include?(w) } }) && [key, i] }.to_h
        { header: header, rows: rows.drop(1).first(3), guess: guess }
      rescue Wire::Malformed => e
        raise Unreadable, e.message
      end

      # columns: {key of COLUMNS => index}; the first line is the header. Returns [Wish]. Raises Unreadable.
      def self.table(text, columns)
        Wire::Csv.read(text).drop(1).map do |_, cells|
          notes = columns.except("name", "account").transform_values { |i| cells[i].to_s }.reject { |_, v| v.empty? }
          Wish.new(typed: cells[columns.fetch("name")].to_s, account: columns["account"] && cells[columns["account"]], notes: notes)
        end
      rescue Wire::Malformed => e
        raise Unreadable, e.message
      end

      # wishes: [Wish]; account: where a wish names none; by: who. Yields after each. Returns [Line].
      def call(wishes, account, by:)
        @accounts = @app.accounts.all
        wishes.map { |wish| take(wish, account, by).tap { yield if block_given? } }
      end

      # Lets a name go that was taken in by mistake; raises Notes::Invalid where it has been moved from here.
      def let_go(name, by:)
        raise Notes::Invalid, "“#{name}” is not on the list of names" unless @app.names.find(name)
        raise Notes::Invalid, "#{name} has moves here; it stays on the list with its journal" if @app.moves.of_name(name).any?

        @app.names.drop(name)
        @app.journal.add("let-go", at: @app.now, says: "Let go from the list.", by: by, name: name)
      end

      private

      def take(wish, account, by)
        name = Core::Names::DomainName.parse(wish.typed, suffixes: @suffixes)
        return line(wish, "known", name, "It is on the list already.") if @app.names.find(name.ascii)

        account = named(wish.account) unless wish.account.to_s.strip.empty?
        return line(wish, "refused", name, "There is no account “#{wish.account}” here.") unless account

        seen = Observe.new(@app).name(name, account)
        return line(wish, "refused", name, seen.problems.join(" ")) if seen.sources.empty? && !(account.kind == "by_hand" && seen.unserved)

        keep(name, account, by)
        problems = note(name, wish.notes, by)
        corrected = wish.typed != name.ascii && "“#{wish.typed}” was understood as #{name.unicode}."
        line(wish, corrected ? "corrected" : "taken", name, [corrected, *problems, ("Nothing is known of it yet." if seen.sources.empty?)].compact.reject { |s| s == false }.join(" "))
      rescue Core::Names::DomainName::Invalid => e
        line(wish, "refused", nil, e.message)
      end

      def named(account)
        wanted = account.to_s.strip
        @accounts.find { |a| a.id == wanted || a.title.casecmp?(wanted) || a.registrar.casecmp?(wanted) }
      end

      def keep(name, account, by)
        @app.names.put(name, account.id, at: @app.now)
        @app.journal.add("taken-in", at: @app.now, says: "Taken in from #{account.title}.", by: by, name: name.ascii)
      end

      # What the table says of it, as notes by hand. Returns a sentence for each that can't be understood.
      def note(name, notes, by)
        notes.filter_map do |key, value|
          Notes.new(@app).put(name.ascii, key, FLAGS.fetch(value.downcase, value), by: by) && nil
        rescue Notes::Invalid => e
          "#{e.message}."
        end
      end

      def line(wish, fate, name, says) = Line.new(typed: wish.typed, fate: fate, name: name&.ascii, says: says.to_s.empty? ? nil : says)
    end
  end
end
