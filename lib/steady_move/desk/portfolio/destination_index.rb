# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # The index seen towards one destination: only the rules that look at the destination are
      # judged anew, and of those names alone that changed.
      class DestinationIndex
        attr_reader :done, :of

        # base: PortfolioIndex; account: the destination's id.
        def initialize(ports, base, account)
          @ports = Ports.of(ports)
          @base = base
          @account = account
          @snapshots = Snapshots.new(Gates.new(@ports, account))
          @entries = IndexEntries.new
          @done = @of = 0
          @lock = Mutex.new
        end

        # As PortfolioIndex#ready?.
        def ready?(patience)
          return tell(@base) unless @base.ready?(patience)
          return turn && true if @version

          @reading = Thread.new { turn } unless @reading&.alive?
          !@reading.join(patience).nil?
        end

        def snapshot(at) = @snapshots.take(@entries.list, @entries.version, at)
        def inspect = "#<DestinationIndex #{@account}>"

        private

        def tell(base)
          @done = base.done
          @of = base.of
          false
        end

        def turn
          @lock.synchronize do
            version = @base.version
            destination = Accounts::Destinations.settings(@ports.accounts.find(@account))
            changes = @version && destination == @destination ? @base.changes_since(@version) : nil
            @destination = destination
            changes ? follow(changes) : whole
            @version = version
            true
          end
        end

        def whole
          list = @base.list
          @of = list.size
          @done = 0
          book = @ports.rulebook
          @entries.replace(list.map { |e| turned(e, book) })
          @snapshots.clear
        end

        def follow(changes)
          return if changes.empty?

          book = @ports.rulebook
          own = changes.map { |was, is| [@entries[(was || is).ascii], is && turned(is, book)] }
          version = @entries.change(own)
          @snapshots.advance(@entries.list, version, own)
        end

        def turned(entry, book)
          @done += 1
          name = Core::Names::DomainName.held(entry.ascii)
          facts = Core::Readiness::Facts.ruled(entry.towards)
          outline = Core::Readiness::Judge.towards(book, name, facts, entry.outline, @destination)
          outline.equal?(entry.outline) ? entry : entry.dup.tap { |e| e.outline = outline }.freeze
        end
      end
    end
  end
end
