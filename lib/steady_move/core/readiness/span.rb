# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # A stretch of time in which a rule hits: [from, to) in seconds since 1970, ±infinity where no
      # end is known. effect: bar, wait, fix, caution, step, or unknown (told[:lacks]: the facts
      # that would tell); told: values for the texts.
      Span =
        Struct.new(:entry, :from, :to, :effect, :told) do
          def rule = entry.id
          def covers?(at) = from <= at && at < to
        end
    end
  end
end
