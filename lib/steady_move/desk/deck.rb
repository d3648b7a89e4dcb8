# frozen_string_literal: true

module SteadyMove
  module Desk
    # Every name in short with the outline of its judgement, without a destination; follows the database by revision.
    class Deck
      # expires, seen, latest_safe: seconds; servers: shared lists; move: [id, stage] or nil;
      # towards: the values that rules about a destination ask for.
      Entry = Struct.new(:ascii, :unicode, :suffix, :account_id, :expires, :locked, :servers, :dns_host, :seen, :outline, :latest_safe,
                         :move, :contradicting, :towards)

      attr_reader :done, :of, :version, :list

      def initialize(app)
        @app = app
        @entries = {}
        @shared = {}
        @list = [].freeze
        @pictures = Pictures.new
        @version = @done = @of = 0
        @lock = Mutex.new
      end

      # Up to date within `patience` seconds? A first reading goes on behind.
      def ready?(patience)
        return refresh && true if @marks

        @reading = Thread.new { refresh } unless @reading&.alive?
        !@reading.join(patience).nil?
      end

      # at: seconds.
      def picture(at) = @pictures.of(@list, @version, at)
      def inspect = "#<Deck>"

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
        @app.names.each_with_said(after: whole ? 0 : @marks.first) do |row, said, seen|
          @entries[row[:name]] = entry(row, said, seen, context) if row[:revision] <= marks.first
          @done += 1
        end
        @list = @entries.values.sort_by(&:ascii).freeze
      end

      def entry(row, said, seen, context)
        name = Core::Names::DomainName.known(row[:name], row[:unicode] == row[:name] ? row[:name] : row[:unicode])
        merged, contradicting = Core::Readiness::Facts.merged(said)
        facts = context[:own].add(row, merged)
        judgement = Core::Readiness::Judge.judge(context[:rulebook], name, facts)
        Entry.new(name.ascii, name.unicode, share(name.suffix), share(row[:account_id]), facts[:expires_at]&.to_i,
                  facts.known?(:statuses) ? facts.statuses.include?(Core::Names::Statuses::LOCK) : nil, share(facts[:name_servers] || []), share(facts[:dns_host]),
                  seen, judgement.outline, judgement.latest_safe_start, context[:moves][row[:name]], contradicting, towards(facts)).freeze
      end

      def towards(facts)
        values = facts.values.slice(*Core::Readiness::Rules::TOWARDS)
        values[:created_at] &&= true
        values.key?(:transferred_at) ? values.freeze : share(values)
      end

      # One object for equal values.
      def share(value) = value && (@shared[value] ||= value.freeze)
    end
  end
end
