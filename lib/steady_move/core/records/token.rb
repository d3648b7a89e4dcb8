# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # A word of a zone file: its raw text (escapes kept), whether it stood in quotes, and the
      # column it begins in.
      Token = Struct.new(:text, :quoted, :column)
    end
  end
end
