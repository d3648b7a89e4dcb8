# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # The answer. kind: clear, fix, unknown, wait or barred; clears_at: Time when a wait ends,
      # else nil.
      Verdict =
        Struct.new(:kind, :clears_at, :findings, :unknown, :at, keyword_init: true) do
          def clear? = kind == "clear"
          def fixes = findings.select { |f| f.effect == "fix" }
          def rests_on_less? = unknown.any?
          # What has to be found out before anybody can say that the name may go.
          def lacking = unknown.select(&:hard)
        end
    end
  end
end
