# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # What one rule says of one name. effect: bar, wait, fix, caution or step; clears_at: Time or nil;
      # evidence: Facts it rests on; source: where the rule comes from (Hash text, kind, verified).
      Finding = Struct.new(:rule, :effect, :because, :remedy, :clears_at, :evidence, :source, keyword_init: true)

      # A rule that can't be judged yet: the facts that lack, and how to find out.
      Unknown = Struct.new(:rule, :lacks, :find_out, keyword_init: true)

      # The answer. kind: clear, fix, wait or barred; clears_at: Time when a wait ends, else nil.
      Verdict = Struct.new(:kind, :clears_at, :findings, :unknown, :at, keyword_init: true) do
        def clear? = kind == "clear"
        def fixes = findings.select { |f| f.effect == "fix" }
        def rests_on_less? = unknown.any?
      end
    end
  end
end
