# frozen_string_literal: true

module SteadyMove
  module Desk
    # All names of a deck as they stand at one instant: gates and orders.
    class Picture
      ORDER = { "clear" => 0, "fix" => 1, "wait" => 2, "barred" => 3 }.freeze
      FAR = Float::INFINITY

      attr_reader :list, :version, :instant

      # list: [Deck::Entry] by name; at: seconds.
      def initialize(list, instant, version:)
        @list = list
        @instant = instant
        @version = version
        @gates = {}
        @until = FAR
        list.each do |e|
          @gates[e.ascii] = e.outline.gate(instant)
          change = e.outline.next_change(instant)
          @until = change if change < @until
        end
        @orders = {}
        @lock = Mutex.new
      end

      # Nothing begins or ends between the picture's instant and this one.
      def holds_at?(at) = at >= @instant && at < @until

      # The same picture seen at a later instant within its time.
      def at(instant)
        dup.tap { |p| p.instance_variable_set(:@instant, instant) }
      end

      # The gate of an entry, also of another deck's; nil where this deck doesn't hold the name.
      def gate(entry) = @gates[entry.ascii]
      def inspect = "#<Picture #{@instant}>"
      def suffixes = @suffixes ||= list.map(&:suffix).tally.sort
      def tally = @tally ||= list.each_with_object(Hash.new(0)) { |e, t| t[gate(e).kind] += 1 }

      # The list by one column; keys: {entry → sortable} by name of column. Kept.
      def sorted(column, titles)
        @lock.synchronize { @orders[column] ||= sort(column, titles) }
      end

      private

      # Names tie-break, because the list is by name: few different keys keep its order within each; instants carry their place.
      def sort(column, titles)
        return list if column == "name"
        return by_instant(&:expires) if column == "expiry"

        list.group_by(&key_of(column, titles)).sort_by(&:first).flat_map(&:last)
      end

      def by_instant
        list.each_with_index.sort_by { |e, i| (((yield(e) || (1 << 40)) + (1 << 36)) << 20) | i }.map(&:first)
      end

      def key_of(column, titles)
        case column
        when "gate" then ->(e) { g = gate(e) and (ORDER.fetch(g.kind) * 1e12) + (g.clears_at || (g.kind == "wait" ? 9e11 : g.fixes)) }
        when "lock" then ->(e) { { nil => 2, true => 1, false => 0 }[e.locked] }
        when "account" then ->(e) { titles[e.account_id].to_s }
        when "dns" then ->(e) { e.dns_host || e.servers.first || "~" }
        else ->(e) { titles.fetch(:stay).fetch(e.account_id, FAR) }
        end
      end
    end
  end
end
