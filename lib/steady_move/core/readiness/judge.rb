# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # Facts → spans → Judgement.
      module Judge
        UNSERVED = "suffix-unserved"

        module_function

        # rulebook: Rulebook; name: DomainName; facts: Facts; destination: Destination or nil. Returns a Judgement.
        def judge(rulebook, name, facts, destination: nil)
          family = rulebook.family_of(name) or return unserved(rulebook, name, facts)
          about = Circumstances.new(name, family, destination, found = [])
          family.judged_by.each do |entry, rule|
            apply(entry, rule, facts, about, found)
            break if facts[:registered] == false && found.any? # nothing more to say of a name that isn't there
          end
          expires = facts[:expires_at]
          Judgement.new(found, family, facts, expires && family.latest_start(expires.to_i))
        end

        # An outline judged without a destination, for a destination: only the rules that look at one are judged anew.
        # facts: Facts of Rules.towards_facts. Returns an Outline.
        def towards(rulebook, name, facts, outline, destination)
          family = rulebook.family_of(name) or return outline
          return outline if facts[:registered] == false

          about = Circumstances.new(name, family, destination, found = [])
          rules = family.judged_by.select { |_, rule| rule.towards? }
          rules.each { |entry, rule| apply(entry, rule, facts, about, found) }
          outline.with(found, instead_of: rules.map { |entry, _| entry.id })
        end

        def apply(entry, rule, facts, about, found)
          return if rule.asked && !rule.asked.call(about)

          return unknown(entry, rule, facts, found) unless rule.needs.all? { |key| facts.known?(key) }

          spans = rule.spans.call(facts, entry, about) or return
          spans.each do |from, to, effect, values|
            found << Span.new(entry, from, to, effect || entry.effect, values) if from < to
          end
        end

        def unknown(entry, rule, facts, found)
          found << Span.new(entry, Rules::ALWAYS, Rules::EVER, "unknown", { lacks: rule.needs.reject do |key|
            facts.known?(key)
          end })
        end

        def unserved(rulebook, name, facts)
          entry = rulebook.entries[UNSERVED] || Rulebook::NO_FAMILY
          values = { to: "the rulebook here", suffix: name.suffix }
          Judgement.new([Span.new(entry, Rules::ALWAYS, Rules::EVER, "bar", values)], nil, facts, nil)
        end
        private_class_method :apply, :unknown, :unserved
      end
    end
  end
end
