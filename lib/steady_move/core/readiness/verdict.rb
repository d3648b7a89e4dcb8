# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # The answer. kind: clear, fix, wait or barred; clears_at: Time when a wait ends, else nil.
      Verdict = Struct.new(:kind, :clears_at, :findings, :unknown, :at, keyword_init: true) do
        def clear? = kind == "clear"
        def fixes = findings.select { |f| f.effect == "fix" }
        def rests_on_less? = unknown.any?
      end
    end
  end
end
