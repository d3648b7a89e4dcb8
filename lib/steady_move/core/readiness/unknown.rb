# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # A rule that can't be judged yet: the facts that lack, and how to find out.
      Unknown = Struct.new(:rule, :title, :lacks, :find_out, keyword_init: true)
    end
  end
end
