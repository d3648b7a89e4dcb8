# frozen_string_literal: true

module SteadyMove
  module Desk
    # A deck seen towards one destination: only the rules that look at the destination are judged anew.
    class DeckTowards
      attr_reader :done, :of

      # base: Deck; account: the destination's id.
      def initialize(app, base, account)
        @app = app
        @base = base
        @account = account
        @pictures = Pictures.new
        @seen = {}.compare_by_identity
        @list = [].freeze
        @done = @of = 0
        @lock = Mutex.new
      end

      # As Deck#ready?.
      def ready?(patience)
        return tell(@base) unless @base.ready?(patience)
        return turn && true if @version

        @reading = Thread.new { turn } unless @reading&.alive?
        !@reading.join(patience).nil?
      end

      def picture(at) = @pictures.of(@list, @version, at)
      def inspect = "#<DeckTowards #{@account}>"

      private

      def tell(base)
        @done = base.done
        @of = base.of
        false
      end

      # Entries that the base did not change since are kept as they were turned.
      def turn
        @lock.synchronize do
          version = @base.version
          next true if version == @version

          list = @base.list
          @of = list.size
          @done = 0
          book = @app.rulebook
          destination = Destinations.of(@app.accounts.find(@account))
          @seen = {}.compare_by_identity unless destination == @destination
          @destination = destination
          @seen = list.each_with_object({}.compare_by_identity) { |e, seen| seen[e] = @seen[e] || turned(e, book) }
          @list = list.map { |e| @seen[e] }.freeze
          @version = version
          true
        end
      end

      def turned(entry, book)
        @done += 1
        name = Core::Names::DomainName.known(entry.ascii, entry.unicode)
        outline = Core::Readiness::Judge.towards(book, name, Core::Readiness::Facts.ruled(entry.towards), entry.outline, @destination)
        outline.equal?(entry.outline) ? entry : entry.dup.tap { |e| e.outline = outline }.freeze
      end
    end
  end
end
