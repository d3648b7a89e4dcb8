# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # A word of a zone file: its raw text (escapes kept) and whether it stood in quotes.
      Token = Struct.new(:text, :quoted)
    end
  end
end
