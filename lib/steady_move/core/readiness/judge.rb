# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # Facts → findings → verdict.
      module Judge
        ORDER = %w[bar wait fix caution step].freeze

        module_function

        # rulebook, DomainName, Facts, at: Time. Returns a Verdict.
        # Kinds in order: barred, wait until the latest clears-at, fix first, clear; cautions and steps change nothing.
        def verdict(rulebook, name, facts, at:)
          family = rulebook.family_of(name)
          return unserved(name, at) unless family

          judged = family.rules.map { |id| apply(rulebook.entries.fetch(id), facts, at) }.compact
          unknown, findings = judged.partition { |j| j.is_a?(Unknown) }
          kind, clears = weigh(findings)
          Verdict.new(kind: kind, clears_at: clears, unknown: unknown, at: at,
                      findings: findings.sort_by { |f| ORDER.index(f.effect) })
        end

        def weigh(findings)
          by = findings.group_by(&:effect)
          return ["barred", nil] if by["bar"]
          return ["wait", latest(by["wait"])] if by["wait"]

          [by["fix"] ? "fix" : "clear", nil]
        end

        # The latest instant; nil where one of them is not known.
        def latest(waits)
          instants = waits.map(&:clears_at)
          instants.include?(nil) ? nil : instants.max
        end

        def apply(entry, facts, at)
          rule = Rules::ALL.fetch(entry.id)
          lacks = rule.needs.reject { |key| facts.known?(key) }
          return Unknown.new(rule: entry.id, lacks: lacks, find_out: entry.find_out) if lacks.any?

          hit = rule.hit.call(facts, entry, at) or return
          Finding.new(rule: entry.id, effect: entry.effect, because: fill(entry.because, hit), remedy: fill(entry.remedy, hit),
                      clears_at: hit[:clears_at], evidence: rule.needs.flat_map { |k| facts.about(k) }, source: entry.source)
        end

        # “{since}” in a rule's text takes the value; instants are left as marks “<2026-…Z>” for the screen to word.
        def fill(text, values)
          text.gsub(/\{(\w+)\}/) do
            value = values[Regexp.last_match(1).to_sym]
            value.is_a?(Time) ? "<#{value.strftime('%Y-%m-%dT%H:%M:%SZ')}>" : value.to_s
          end
        end

        def unserved(name, at)
          finding = Finding.new(rule: "suffix-unserved", effect: "bar", evidence: [], clears_at: nil,
                                because: "No rulebook here covers names under “.#{name.suffix}”.",
                                remedy: "Add the suffix to a family in the rulebook, with its source.",
                                source: { "text" => "common practice", "kind" => "C", "verified" => false })
          Verdict.new(kind: "barred", clears_at: nil, findings: [finding], unknown: [], at: at)
        end
        private_class_method :weigh, :latest, :apply, :fill, :unserved
      end
    end
  end
end
