# frozen_string_literal: true

module SteadyMove
  module Desk
    # Takes names into an account from what somebody typed; each line's fate is told.
    class TakingIn
      # fate: taken, known or refused; says: why, or what it was corrected to.
      Line = Struct.new(:typed, :fate, :name, :says, keyword_init: true)
      MOST = 5000

      def initialize(app)
        @app = app
      end

      # text: names parted by blanks, commas, semicolons or lines; by: who. Returns [Line].
      def call(text, account, by:)
        words = text.split(/[\s,;]+/).reject(&:empty?).first(MOST)
        words.map { |word| take(word, account, by) }
      end

      private

      def take(word, account, by)
        name = Core::Names::DomainName.parse(word, suffixes: @app.rulebook.deep_suffixes)
        return line(word, "known", name, "It is on the list already.") if @app.names.find(name.ascii)

        seen = Observe.new(@app).name(name, account)
        return line(word, "refused", name, seen.problems.join(" ")) if seen.sources.empty?

        @app.names.put(name, account.id, at: @app.now)
        @app.journal.add("taken-in", at: @app.now, says: "Taken in from #{account.title}.", by: by, name: name.ascii)
        line(word, "taken", name, word == name.ascii ? nil : "Understood as #{name.ascii}.")
      rescue Core::Names::DomainName::Invalid => e
        line(word, "refused", nil, e.message)
      end

      def line(typed, fate, name, says) = Line.new(typed: typed, fate: fate, name: name&.ascii, says: says)
    end
  end
end
