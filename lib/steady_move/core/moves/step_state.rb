# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      # Where one step stands. phase: ahead, due, under-way, stuck, done or dropped; event: what was
      # last seen of it, or its proof.
      StepState =
        Struct.new(:step, :phase, :since, :done_at, :event, :turn, keyword_init: true) do
          def done? = phase == "done"
          def active? = %w[due under-way stuck].include?(phase)
          def says = event&.says
          # Begun before what it answers to shows outside: a release that nothing asks for yet.
          def early? = event&.data.to_h["early"] == true
        end
    end
  end
end
