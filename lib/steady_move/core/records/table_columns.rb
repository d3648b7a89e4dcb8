# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # Which column of a table of records is what: by its head, where it has one, else by what
      # stands in it.
      class TableColumns
        # order: [:name, :type, :value, :ttl, :priority, … or nil]; head: how many rows are no
        # records.
        attr_reader :order, :head

        # rows: [[line, [cell]]]. Raises ZoneError.
        def self.of(rows) = new(rows)

        def initialize(rows)
          first = rows.first.last.map { |c| TableReader::HEADS[c.downcase.delete("*:").strip] }
          @head = first.compact.size >= 2 ? 1 : 0
          @rows = rows.drop(@head).map(&:last)
          @order = @head == 1 ? first : guessed
          lacking = %i[type name value] - @order
          return if lacking.empty?

          raise ZoneError.new(
                  rows.first.first,
                  "no column is seen that holds the #{lacking.first} of the records"
                )
        end

        private

        def guessed
          width = @rows.map(&:size).max
          type = best(width) { |c| type?(c) }
          return [] if type.nil? || column(type).none? { |c| type?(c) }

          free = (0...width).to_a - [type]
          ttl = ttl_column(free, type)
          value = (free - [ttl]).max_by { |i| column(i).sum(&:length) + (i > type.to_i ? 1 : 0) }
          left = free - [ttl, value]
          name = left.find { |i| !all_numbers?(i) } || left.first
          order = Array.new(width)
          { type => :type, ttl => :ttl, value => :value, name => :name }.each do |i, what|
            order[i] = what if i
          end
          settle(numbers(order, left - [name]), name, value)
        end

        # Columns of numbers alone: a priority, then weight and port (RFC 2782).
        def numbers(order, left)
          left
            .zip(%i[priority weight port])
            .each { |i, what| order[i] ||= what if what && all_numbers?(i) }
          order
        end

        def all_numbers?(index) = column(index).all? { |c| number?(c) || c.empty? }

        # Names stand before their values where both could be either.
        def settle(order, name, value)
          unless name && value && column(value).all? { |c| ownerish?(c) } &&
                   !column(name).all? { |c| ownerish?(c) }
            return order
          end

          order[name] = :value
          order[value] = :name
          order
        end

        # Every row has a TTL; a priority stands in a few.
        def ttl_column(free, type)
          spans =
            free.select do |i|
              column(i).count { |c| c.match?(TableReader::SPAN) } > @rows.size * 0.8
            end
          spans.max_by { |i| [i > type.to_i ? 1 : 0, column(i).sum(&:to_i)] }
        end

        def best(width, &block)
          (0...width).max_by { |i| column(i).count(&block) }
        end

        def column(index) = @rows.map { |r| r[index].to_s }
        def number?(cell) = cell.match?(/\A\d{1,5}\z/)
        def ownerish?(cell)
          cell == "@" || cell.empty? || cell.match?(/\A[*_a-z0-9][a-z0-9_.-]*\z/i)
        end

        def type?(cell)
          up = cell.upcase
          Rdata::NUMBERS.key?(up) || TableReader::ALIASES.include?(up) ||
            TableReader::SERVICES.include?(up)
        end
      end
    end
  end
end
