# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      # Where one step stands. phase: ahead, due, under-way, stuck, done or dropped.
      StepState = Struct.new(:step, :phase, :since, :done_at, :says, :turn, keyword_init: true) do
        def done? = phase == "done"
        def active? = %w[due under-way stuck].include?(phase)
      end
    end
  end
end
