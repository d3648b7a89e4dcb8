# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # An entry: the line it starts on, whether it starts with blanks (the owner is inherited), its
      # tokens.
      Entry = Struct.new(:line, :inherits, :tokens)
    end
  end
end
