# frozen_string_literal: true

module SteadyMove
  module Scripts
    # A command's words make no sense; says which and what is expected. The command ends with 2.
    class Misused < StandardError
    end
  end
end
