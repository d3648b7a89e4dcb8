# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      # Where one step stands. phase: ahead, due, under-way, stuck, done or dropped; event: what was last seen of it,
      # or its proof.
      StepState = Struct.new(:step, :phase, :since, :done_at, :event, :turn, keyword_init: true) do
        def done? = phase == "done"
        def active? = %w[due under-way stuck].include?(phase)
        def says = event&.says
      end
    end
  end
end
