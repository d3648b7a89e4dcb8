# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # The list of names as somebody wants to see it: filtered, sorted, grouped, a stretch of it.
      class NamesQuery
        # rows: [PortfolioIndex::Entry]; total: how many pass the filter; groups: [[key, count]] in
        # order; changes: {[was, is] => count}; snapshot, was: Snapshots at the instant asked for
        # and now.
        Listing =
          Struct.new(:rows, :total, :groups, :changes, :snapshot, :was, :stays, keyword_init: true)
        COLUMNS = %w[name gate account expiry stay lock privacy auto_renew dns client].freeze
        # What the list is grouped by: the key of an entry.
        GROUPS = { "account" => :account_id, "client" => :client }.freeze
        DAY = 86_400

        # {account id => title, stay: {account id => minor units a year}}.
        def self.titles(accounts)
          accounts.transform_values(&:title).merge(
            stay: accounts.transform_values { |a| a.prices_of.renew&.minor || Float::INFINITY }
          )
        end

        # given: {q:, gate:, account:, suffix:, client:, within: days, changed:, sort:, group:,
        # offset:, limit:, names: [those alone]}; titles: {account id => title, stay: {account id =>
        # minor}}.
        def initialize(given, titles)
          @given = given
          @titles = titles
          @only = given[:names]&.to_set
          @words = given[:q].to_s.downcase.split.map { |word| SpokenName.host(word) }
          @gates = given[:gate].to_s.split(",")
          @down = given[:sort].to_s.start_with?("-")
          @column = given[:sort].to_s.delete_prefix("-")
          @column = "gate" unless COLUMNS.include?(@column)
        end

        # snapshot: at the instant asked for; was: now. Returns Listing.
        def call(snapshot, was)
          sorted = snapshot.sorted(@column, @titles)
          sorted = sorted.reverse if @down
          kept = filters(snapshot, was).reduce(sorted) { |list, filter| list.select(&filter) }
          kept, groups = grouped(kept, snapshot)
          Listing.new(
            rows: kept[@given.fetch(:offset, 0), @given.fetch(:limit, 100)] || [],
            total: kept.size,
            groups: groups,
            changes: changes(snapshot, was),
            snapshot: snapshot,
            was: was,
            stays: kept.map(&:account_id).tally
          )
        end

        private

        # Only those that are asked for, each over what the one before left.
        def filters(snapshot, was)
          here + @words.map { |w| speaking_of(w) } + standing(snapshot, was)
        end

        def here
          account, suffix, client = @given.values_at(:account, :suffix, :client)
          [
            @only && ->(e) { @only.include?(e.ascii) },
            account && ->(e) { e.account_id == account },
            suffix && ->(e) { e.suffix == suffix },
            client && ->(e) { e.client == client }
          ].compact
        end

        def speaking_of(word)
          places = @titles.except(:stay).select { |_, title| title.downcase.include?(word) }
          plain = SpokenName.plain(word)
          lambda do |e|
            e.ascii.include?(word) || places.key?(e.account_id) ||
              e.client&.downcase&.include?(word) ||
              (e.unicode != e.ascii && SpokenName.like?(e.unicode, word, plain))
          end
        end

        def standing(snapshot, was)
          [
            @gates.any? && ->(e) { @gates.include?(snapshot.gate(e).kind) },
            @given[:changed] && ->(e) { was.gate(e)&.kind != snapshot.gate(e).kind },
            @given[:within] && ->(e) { goes_within?(e, snapshot) }
          ].select(&:itself)
        end

        # Does a window open, or stand open, within so many days?
        def goes_within?(entry, snapshot)
          entry.outline.open_within?(
            snapshot.instant,
            snapshot.instant + [@given[:within] * DAY, 1].max
          )
        end

        def grouped(kept, snapshot)
          key = group_key(snapshot) or return kept, []

          groups = kept.group_by(&key)
          order = groups.sort_by { |k, _| place_of(k) }
          [order.flat_map(&:last), order.map { |k, list| [k.to_s, list.size] }]
        end

        def group_key(snapshot)
          return ->(e) { snapshot.gate(e).kind } if @given[:group] == "gate"

          GROUPS[@given[:group]]&.to_proc
        end

        # Gates in their own order, accounts and clients by what they are called; without one last.
        def place_of(key)
          return Snapshot::ORDER.fetch(key), "" if @given[:group] == "gate"

          [key ? 0 : 1, (@titles[key] || key).to_s.downcase]
        end

        # What is different from now, over the whole list.
        def changes(snapshot, was)
          return {} if snapshot.equal?(was) || snapshot.instant == was.instant

          snapshot
            .list
            .each_with_object(Hash.new(0)) do |e, counts|
              before = was.gate(e)&.kind
              after = snapshot.gate(e).kind
              counts[[before, after]] += 1 if before && before != after
            end
        end
      end
    end
  end
end
