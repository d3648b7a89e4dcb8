# frozen_string_literal: true

module SteadyMove
  module Desk
    module Common
      # When something outside was last asked, whether it answered, and what it said if not; when it
      # last answered well, and since when it has not (nil where it does).
      Heard = Struct.new(:at, :well, :says, :well_at, :failing_since, keyword_init: true)
    end
  end
end
