# frozen_string_literal: true

module SteadyMove
  module Desk
    # Every name in short with the outline of its judgement, for one destination (or none); follows the database by revision.
    class Deck
      # expires, seen, latest_safe: seconds; servers: shared lists; move: [id, stage] or nil; own_year: paid by itself.
      Entry = Struct.new(:ascii, :unicode, :suffix, :account_id, :expires, :locked, :servers, :dns_host, :seen, :outline, :latest_safe,
                         :move, :contradicting, :signed, keyword_init: true)
      PICTURES = 4

      attr_reader :done, :of, :version

      # destination: Core::Readiness::Destination or nil.
      def initialize(app, destination)
        @app = app
        @destination = destination
        @entries = {}
        @shared = {}
        @list = []
        @pictures = {}
        @version = 0
        @done = 0
        @of = 0
        @lock = Mutex.new
      end

      # Up to date within `patience` seconds? A first reading goes on behind.
      def ready?(patience)
        return refresh && true if @marks

        @reading = Thread.new { refresh } unless @reading&.alive? || @marks
        !@reading.join(patience).nil?
      end

      # at: seconds. Pictures of the last few instants are kept.
      def picture(at)
        @lock.synchronize do
          key, found = @pictures.find { |_, p| p.version == @version && p.holds_at?(at) }
          return @pictures[key] = @pictures.delete(key) && found.at(at) if found

          @pictures.shift while @pictures.size >= PICTURES
          @pictures[at] = Picture.new(@list, at, version: @version)
        end
      end

      def inspect = "#<Deck #{@destination&.id}>"

      private

      def refresh
        @lock.synchronize do
          marks = @app.names.marks
          next true if marks == @marks

          read(marks, whole: @marks.nil? || marks.last != @marks.last)
          @marks = marks
          @version += 1
          true
        end
      end

      def read(marks, whole:)
        @entries = {} if whole
        @of = @app.db[:names].count
        @done = 0
        context = { own: OwnFacts.new(@app, many: whole), moves: @app.moves.stages, rulebook: @app.rulebook }
        @app.names.each_with_facts(after: whole ? 0 : @marks.first) do |row, facts|
          @entries[row[:name]] = entry(row, facts, context) if row[:revision] <= marks.first
          @done += 1
        end
        @list = @entries.values.sort_by(&:ascii).freeze
      end

      def entry(row, list, context)
        name = Core::Names::DomainName.known(row[:name], row[:unicode] == row[:name] ? row[:name] : row[:unicode])
        sourced = Core::Readiness::Facts.new(list)
        facts = context[:own].add(row, sourced)
        judgement = Core::Readiness::Judge.judge(context[:rulebook], name, facts, destination: @destination)
        Entry.new(
          ascii: name.ascii, unicode: name.unicode, suffix: share(name.suffix), account_id: share(row[:account_id]),
          expires: facts[:expires_at]&.to_i, locked: facts.known?(:statuses) ? facts.statuses.include?(Core::Names::Statuses::LOCK) : nil,
          servers: share(facts[:name_servers] || []), dns_host: share(facts[:dns_host]), seen: sourced.oldest(:statuses, :expires_at)&.to_i,
          outline: judgement.outline, latest_safe: judgement.latest_safe_start, move: context[:moves][row[:name]],
          contradicting: sourced.contradictions.any?, signed: facts[:signed]
        ).freeze
      end

      # One object for equal values.
      def share(value) = value && (@shared[value] ||= value.freeze)
    end
  end
end
