# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # Entries by name, in order; a change of a few costs a few, whatever there are.
      class IndexEntries
        # More changes than this share of all are sorted anew.
        FEW = 0.05

        # list: [PortfolioIndex::Entry] by name, frozen; version grows with every change.
        attr_reader :list, :version

        def initialize
          @by_name = {}
          @list = [].freeze
          @version = 0
          @changes = []
        end

        # Puts all entries anew.
        def replace(entries)
          @by_name = entries.to_h { |e| [e.ascii, e] }
          @list = entries.sort_by(&:ascii).freeze
          @version += 1
          @changes = []
        end

        # changes: [[entry that was or nil, entry that is or nil]]. Returns the new version.
        def change(changes)
          if changes.size > @list.size * FEW
            apply(changes)
            @list = @by_name.values.sort_by(&:ascii).freeze
          else
            list = @list.dup
            changes.each { |was, is| place(list, was, is) }
            apply(changes)
            @list = list.freeze
          end
          @changes = (@changes << [@version += 1, changes]).last(50)
          @version
        end

        def [](name) = @by_name[name]

        # What changed after a version, once a name; nil where that is too long ago.
        def changes_since(version)
          return [] if version == @version
          return if @changes.empty? || @changes.first.first > version + 1

          all = @changes.select { |v, _| v > version }.flat_map(&:last)
          all
            .group_by { |was, is| (was || is).ascii }
            .values
            .map { |same| [same.first.first, same.last.last] }
        end

        private

        def apply(changes)
          changes.each { |was, is| is ? @by_name[is.ascii] = is : @by_name.delete(was.ascii) }
        end

        def place(list, was, is)
          name = (was || is).ascii
          at = list.bsearch_index { |e| e.ascii >= name } || list.size
          if was.nil?
            list.insert(at, is)
          elsif is.nil?
            list.delete_at(at)
          else
            list[at] = is
          end
        end
      end
    end
  end
end
