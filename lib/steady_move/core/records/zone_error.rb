# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # A zone file's mistake, with the line and, where it is known, the column that it stands in.
      class ZoneError < StandardError
        attr_reader :line, :column, :reason

        def initialize(line, message, column: nil)
          @line = line
          @column = column
          @reason = message
          super("line #{line}#{", column #{column}" if column}: #{message}")
        end
      end
    end
  end
end
