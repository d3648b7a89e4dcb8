# frozen_string_literal: true

module SteadyMove
  module Desk
    # The list of names as somebody wants to see it: filtered, sorted, grouped, a stretch of it.
    class NamesQuery
      # rows: [PortfolioIndex::Entry]; total: how many pass the filter; groups: [[key, count]] in order; changes:
      # {[was, is] => count}; snapshot, was: Snapshots at the instant asked for and now.
      Found = Struct.new(:rows, :total, :groups, :changes, :snapshot, :was, :stays, keyword_init: true)
      COLUMNS = %w[name gate account expiry stay lock dns].freeze
      DAY = 86_400

      # {account id => title, stay: {account id => minor units a year}}.
      def self.titles(accounts)
        accounts.transform_values(&:title).merge(stay: accounts.transform_values do |a|
          a.prices["renew"] || Float::INFINITY
        end)
      end

      # given: {q:, gate:, account:, suffix:, within: days, changed:, sort:, group:, offset:, limit:, names: [those
      # alone]}; titles: {account id => title, stay: {account id => minor}}.
      def initialize(given, titles)
        @given = given
        @titles = titles
        @only = given[:names]&.to_set
        @words = given[:q].to_s.downcase.split
        @gates = given[:gate].to_s.split(",")
        @down = given[:sort].to_s.start_with?("-")
        @column = given[:sort].to_s.delete_prefix("-")
        @column = "gate" unless COLUMNS.include?(@column)
      end

      # snapshot: at the instant asked for; was: now. Returns Found.
      def call(snapshot, was)
        sorted = snapshot.sorted(@column, @titles)
        sorted = sorted.reverse if @down
        kept = narrowed? ? sorted.select { |e| keep?(e, snapshot, was) } : sorted
        kept, groups = grouped(kept, snapshot)
        Found.new(rows: kept[@given.fetch(:offset, 0), @given.fetch(:limit, 100)] || [], total: kept.size,
          groups: groups,
          changes: changes(snapshot, was), snapshot: snapshot, was: was, stays: kept.map(&:account_id).tally)
      end

      private

      FILTERS = %i[names q gate account suffix within changed].freeze
      private_constant :FILTERS

      def narrowed? = FILTERS.any? { |filter| @given[filter] && @given[filter] != "" }

      def keep?(entry, snapshot, was)
        here?(entry) && stands?(entry, snapshot, was) && @words.all? { |w| speaks_of?(entry, w) }
      end

      def speaks_of?(entry, word)
        entry.ascii.include?(word) || entry.unicode.include?(word) ||
          @titles[entry.account_id].to_s.downcase.include?(word)
      end

      def here?(entry)
        (@only.nil? || @only.include?(entry.ascii)) && (@given[:account].nil? ||
          entry.account_id == @given[:account]) &&
          (@given[:suffix].nil? || entry.suffix == @given[:suffix])
      end

      def stands?(entry, snapshot, was)
        kind = snapshot.gate(entry).kind
        (@gates.empty? || @gates.include?(kind)) && (!@given[:changed] || was.gate(entry)&.kind != kind) &&
          (@given[:within].nil? || goes_within?(entry, snapshot))
      end

      # Does a window open, or stand open, within so many days?
      def goes_within?(entry, snapshot)
        entry.outline.open_within?(snapshot.instant, snapshot.instant + [@given[:within] * DAY, 1].max)
      end

      def grouped(kept, snapshot)
        by_gate = @given[:group] == "gate"
        return [kept, []] unless by_gate || @given[:group] == "account"

        groups = kept.group_by { |e| by_gate ? snapshot.gate(e).kind : e.account_id }
        order = groups.sort_by { |k, _| by_gate ? Snapshot::ORDER.fetch(k) : @titles[k].to_s }
        [order.flat_map(&:last), order.map { |key, list| [key, list.size] }]
      end

      # What is different from now, over the whole list.
      def changes(snapshot, was)
        return {} if snapshot.equal?(was) || snapshot.instant == was.instant

        snapshot.list.each_with_object(Hash.new(0)) do |e, counts|
          before = was.gate(e)&.kind
          after = snapshot.gate(e).kind
          counts[[before, after]] += 1 if before && before != after
        end
      end
    end
  end
end
