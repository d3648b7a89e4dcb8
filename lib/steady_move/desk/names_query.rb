# frozen_string_literal: true

module SteadyMove
  module Desk
    # The list of names as somebody wants to see it: filtered, sorted, grouped, a stretch of it.
    class NamesQuery
      # rows: [Deck::Entry]; total: how many pass the filter; groups: [[key, count]] in order; changes: {[was, is] => count};
      # picture, was: Pictures at the instant asked for and now.
      Found = Struct.new(:rows, :total, :groups, :changes, :picture, :was, :stays, keyword_init: true)
      COLUMNS = %w[name gate account expiry stay lock dns].freeze
      DAY = 86_400

      # {account id => title, stay: {account id => minor units a year}}.
      def self.titles(accounts)
        accounts.transform_values(&:title).merge(stay: accounts.transform_values { |a| a.prices["renew"] || Float::INFINITY })
      end

      # given: {q:, gate:, account:, suffix:, within: days, changed:, sort:, group:, offset:, limit:, names: [those alone]}; titles: {account id => title, stay: {account id => minor}}.
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

      # picture: at the instant asked for; was: now. Returns Found.
      def call(picture, was)
        sorted = picture.sorted(@column, @titles)
        sorted = sorted.reverse if @down
        kept = sorted.select { |e| keep?(e, picture, was) }
        kept, groups = grouped(kept, picture)
        Found.new(rows: kept[@given.fetch(:offset, 0), @given.fetch(:limit, 100)] || [], total: kept.size, groups: groups,
                  changes: changes(picture, was), picture: picture, was: was, stays: kept.map(&:account_id).tally)
      end

      private

      def keep?(entry, picture, was)
        here?(entry) && stands?(entry, picture, was) &&
          @words.all? { |w| entry.ascii.include?(w) || entry.unicode.include?(w) || @titles[entry.account_id].to_s.downcase.include?(w) }
      end

      def here?(entry)
        (@only.nil? || @only.include?(entry.ascii)) && (@given[:account].nil? || entry.account_id == @given[:account]) &&
          (@given[:suffix].nil? || entry.suffix == @given[:suffix])
      end

      def stands?(entry, picture, was)
        (@gates.empty? || @gates.include?(picture.gate(entry).kind)) && (!@given[:changed] || was.gate(entry)&.kind != picture.gate(entry).kind) &&
          (@given[:within].nil? || goes_within?(entry, picture))
      end

      # Does a window open, or stand open, within so many days?
      def goes_within?(entry, picture)
        entry.outline.open_within?(picture.instant, picture.instant + [@given[:within] * DAY, 1].max)
      end

      def grouped(kept, picture)
        by = { "account" => :account_id.to_proc, "gate" => ->(e) { picture.gate(e).kind } }[@given[:group]] or return [kept, []]
        groups = kept.group_by(&by)
        order = @given[:group] == "gate" ? groups.sort_by { |k, _| Picture::ORDER.fetch(k) } : groups.sort_by { |k, _| @titles[k].to_s }
        [order.flat_map(&:last), order.map { |key, list| [key, list.size] }]
      end

      # What is different from now, over the whole list.
      def changes(picture, was)
        return {} if picture.equal?(was) || picture.instant == was.instant

        picture.list.each_with_object(Hash.new(0)) do |e, counts|
          before = was.gate(e)&.kind
          after = picture.gate(e).kind
          counts[[before, after]] += 1 if before && before != after
        end
      end
    end
  end
end
