# frozen_string_literal: true

module SteadyMove
  module Core
    module Imports
      # Which column of a table holds what: by what stands above it, else by what stands in it.
      class Guess
        # How the first label of a name server reads (common practice, no source).
        SERVER = /\A(?:ns|[a-z]?dns)[a-z]?-?\d{0,3}[a-z]?\./i
        NAME = %r{\A(?:https?://)?[^\s@/,;]+\.[^\s@\d/.]{2,}(?:[/.:]\S*)?\z}

        # Does a text look like a name, a host or a URL?
        #   Imports::Guess.name?("tide.example") # => true
        #   Imports::Guess.name?("9.90") # => false
        def self.name?(text) = text.match?(NAME)

        # The names in a text, parted by blanks and signs; a comment is none of them.
        #   Imports::Guess.words("tide.example, moor.example # both").size # => 2
        def self.words(text) = text.sub(/(?:\A|\s)#.*/, "").split(/[\s,;|]+/).reject(&:empty?)
        # Does it hold nothing but such?
        def self.names?(text) = words(text).all? { |word| name?(word) }

        # head: [text] or nil; rows: [[text]], those that tell; accounts: titles in lower case.
        def initialize(head, rows, accounts)
          @head = head.to_a
          @rows = rows
          @accounts = accounts
          @kinds = Array.new([*rows.map(&:size), @head.size].max.to_i)
        end

        # A key of Kinds, or nil, for each column.
        #   Imports::Guess.new(["Domain", "Sum"], [["tide.example", "9"]], []).kinds
        #     # => ["name", nil]
        def kinds
          by_heads
          each_open { |i| kind_of(cells(i)) unless @head[i].to_s.match?(/\p{L}/) }
          return @kinds if @kinds.include?("name")

          # Where no head says which column holds the names: the first that does.
          names = @kinds.each_index.find { |i| @kinds[i].nil? && names?(i) }
          @kinds[names] = "name" if names
          @kinds
        end

        # Is there a column in which other things than names stand?
        def other_things?
          @kinds.each_index.any? do |i|
            cells(i).count { |cell| Guess.names?(cell) } * 2 < cells(i).size
          end
        end

        private

        def by_heads = each_open { |i| Kinds.by_head(@head[i].to_s) }

        # Gives each column that has no kind yet the one that the block finds, unless another has
        # it.
        def each_open
          @kinds.each_index do |i|
            next if @kinds[i]

            kind = yield(i)
            free = !@kinds.include?(kind) || Kinds::SEVERAL.include?(kind)
            @kinds[i] = kind if kind && free
          end
        end

        def cells(index) = @rows.filter_map { |row| row[index] unless row[index].to_s.empty? }
        def names?(index) = cells(index).count { |c| Guess.name?(c) } * 2 > @rows.size

        def kind_of(cells)
          return if cells.empty?
          return "registrant_email" if cells.all? { |c| c.match?(Cells::ADDRESS) }
          return "account" if cells.all? { |c| @accounts.include?(c.downcase) }
          return "name_servers" if cells.all? { |c| servers?(c.split(/[\s,|]+/)) }

          "expires_at" if Days.read(cells, "day").read.none?(Cells::Unread)
        end

        # Several hosts in one cell, or hosts that are called as name servers are.
        def servers?(hosts)
          hosts.all? { |h| Guess.name?(h) } && (hosts.size > 1 || hosts.first.to_s.match?(SERVER))
        end
      end
    end
  end
end
