# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # All names of an index as they stand at one instant: gates and orders.
      class Snapshot
        # column => member of an entry that is on, off or not known; in that order.
        SWITCHES = { "lock" => :locked, "privacy" => :privacy, "auto_renew" => :auto_renew }.freeze
        STANDS = { nil => 2, true => 1, false => 0 }.freeze
        ORDER = Gates::KINDS.each_with_index.to_h.freeze
        FAR = Float::INFINITY
        NEVER = 1 << 40

        attr_reader :list, :version, :instant

        # list: [PortfolioIndex::Entry] by name; instant: seconds; doors: Gates.
        def initialize(list, instant, version:, doors:)
          @list = list
          @doors = doors
          @instant = instant
          @version = version
          @gates = {}
          @until = FAR
          list.each { |e| see(e) }
          @orders = {}
          @lock = Mutex.new
        end

        # Nothing begins or ends between the snapshot's instant and this one.
        def holds_at?(at) = at >= @instant && at < @until

        # The same seen at a later instant within its time.
        def at(instant) = dup.tap { |s| s.instance_exec { @instant = instant } }

        # The same with other entries in the place of some; orders follow.
        def with(list, version, changes)
          dup.tap { |s| s.instance_exec { follow(list, version, changes) } }
        end

        def forget_orders = @lock.synchronize { @orders = {} }

        # The gate of an entry, also of another index's; nil where this one doesn't hold the name.
        def gate(entry) = @gates[entry.ascii]
        # Why it stands as it does (Gates#reason).
        def reason(entry) = @doors.reason(entry, @instant, gate(entry))
        def inspect = "#<Snapshot #{@instant}>"
        # [[client, how many]], without names that have none.
        def clients = @clients ||= list.filter_map(&:client).tally.sort
        def suffixes = @suffixes ||= list.map(&:suffix).tally.sort
        def tally = @tally ||= @gates.each_value.map(&:kind).tally.tap { |t| t.default = 0 }

        # The list by one column; titles: of NamesQuery. Kept.
        def sorted(column, titles)
          return list if column == "name"

          @lock.synchronize do
            key = key_of(column, titles)
            (@orders[column] ||= [sort(column, key), key]).first
          end
        end

        private

        def see(entry)
          @gates[entry.ascii] = @doors.judge(entry, @instant)
          change = entry.outline.next_change(@instant)
          @until = change if change < @until
        end

        def follow(list, version, changes)
          held = @gates
          orders = @orders
          @gates = held.dup
          @list = list
          @version = version
          @suffixes = @clients = @tally = nil
          @lock = Mutex.new
          changes.each { |was, is| is ? see(is) : @gates.delete(was.ascii) }
          @orders =
            orders.to_h do |column, (sorted, key)|
              [column, [reordered(sorted.dup, key, changes, held), key]]
            end
        end

        # Takes the entries that were out of a sorted list, where they stand, and puts those that
        # are in. Until then an entry stands by the gate that it had.
        def reordered(sorted, key, changes, held)
          fresh = Set.new.compare_by_identity.merge(changes.map(&:last).compact)
          own = ->(e) { key.call(e, fresh.include?(e) ? @gates : held) }
          changes.each do |was, is|
            sorted.delete_at(place(sorted, own, was)) if was
            sorted.insert(place(sorted, own, is), is) if is
          end
          sorted
        end

        # Where an entry stands, or would, by its own key and name.
        def place(sorted, own, entry)
          wanted = own.call(entry)
          sorted.bsearch_index do |e|
            order = own.call(e) <=> wanted
            order.positive? || (order.zero? && e.ascii >= entry.ascii)
          end || sorted.size
        end

        # Names tie-break, because the list is by name: few different keys keep its order within
        # each; instants carry their place.
        def sort(column, key)
          return by_instant(key) if column == "expiry"

          list.group_by { |e| key.call(e, @gates) }.sort_by(&:first).flat_map(&:last)
        end

        def by_instant(key)
          list
            .each_with_index
            .sort_by { |e, i| ((key.call(e, @gates) + (1 << 36)) << 20) | i }
            .map(&:first)
        end

        def switched(member) = ->(e, _) { STANDS[e[member]] }

        def key_of(column, titles)
          return switched(SWITCHES[column]) if SWITCHES.key?(column)
          return ->(e, gates) { gate_key(gates[e.ascii]) } if column == "gate"

          key = own_key(column, titles)
          ->(e, _) { key.call(e) }
        end

        # By what stands in the entry alone.
        def own_key(column, titles)
          case column
          when "expiry"
            ->(e) { e.expires || NEVER }
          when "account"
            ->(e) { titles[e.account_id].to_s }
          when "client"
            ->(e) { e.client ? [0, e.client.downcase] : [1, ""] }
          when "dns"
            ->(e) { e.dns_host || e.servers.first || "~" }
          else
            ->(e) { titles.fetch(:stay).fetch(e.account_id, FAR) }
          end
        end

        def gate_key(gate)
          within = gate.clears_at || (gate.kind == "wait" ? 9e11 : (gate.needs * 1000) + gate.steps)
          (ORDER.fetch(gate.kind) * 1e12) + within
        end
      end
    end
  end
end
