# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # A zone file's mistake, with the line it stands on.
      class ZoneError < StandardError
        attr_reader :line

        def initialize(line, message)
          @line = line
          super("line #{line}: #{message}")
        end
      end
    end
  end
end
