# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # A rule that can't be judged yet: the facts that lack, and how to find out. hard: without it
      # nobody can say that the name may go.
      Unknown = Struct.new(:rule, :title, :lacks, :find_out, :hard, keyword_init: true)
    end
  end
end
