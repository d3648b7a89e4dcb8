# frozen_string_literal: true

module SteadyMove
  module Desk
    # When something outside was last asked, whether it answered, and what it said if not.
    Heard = Struct.new(:at, :well, :says, keyword_init: true)
  end
end
