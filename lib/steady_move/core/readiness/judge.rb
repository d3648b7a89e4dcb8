# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # Facts → spans → Judgement.
      module Judge
        module_function

        # rulebook: Rulebook; name: DomainName; facts: Facts; destination: Destination or nil.
        # Returns a Judgement.
        def judge(rulebook, name, facts, destination: nil)
          family = rulebook.family_for(name)
          found = []
          about = Circumstances.new(name, family, destination, [])
          apply(family.judged_by, facts, about) { |*span| found << Span.new(*span) }
          expires = facts[:expires_at]
          Judgement.new(found, family, facts, expires && family.latest_start(expires.to_i))
        end

        # The same, of which only the outline is wanted: for judging many names.
        def outline(rulebook, name, facts)
          family = rulebook.family_for(name)
          flat = []
          apply(
            family.judged_by,
            facts,
            Circumstances.new(name, family, nil, [])
          ) { |entry, from, to, effect, _| Outline.add(flat, entry, from, to, effect) }
          Outline.new(flat.freeze)
        end

        # An outline judged without a destination, for a destination: only the rules that look at
        # one are judged anew. facts: Facts of Rules.towards_facts. Returns an Outline.
        def towards(rulebook, name, facts, outline, destination)
          family = rulebook.family_for(name)
          return outline if facts[:registered] == false

          rows = family.judged_by.select { |_, rule| rule.towards? }
          flat = []
          apply(
            rows,
            facts,
            Circumstances.new(name, family, destination, [])
          ) { |entry, from, to, effect, _| Outline.add(flat, entry, from, to, effect) }
          outline.with(flat, instead_of: rows.map { |entry, _| entry.id })
        end

        # rows: Family#judged_by. Yields (entry, from, to, effect, told) for each stretch in which a
        # rule hits.
        # rubocop:disable Metrics/CyclomaticComplexity, Metrics/PerceivedComplexity -- whoever judges a hundred thousand
        # names spends his time here
        def apply(rows, facts, about)
          absent = facts[:registered] == false
          values = facts.values
          rows.each do |entry, rule, asked, need, more, watched|
            next if asked && !asked.call(about)

            known = (need.nil? || values.key?(need)) && (more.nil? || facts.known_all?(more))
            spans =
              known ? rule.spans.call(facts, entry, about) : unknown(rule, facts, entry, about)
            next unless spans

            spans.each do |from, to, effect, told|
              yield entry, from, to, effect || entry.effect, told if from < to
            end
            about.hit(entry, spans) if watched
            break if absent && !spans.empty? # nothing more to say of a name that isn't there
          end
        end

        # rubocop:enable Metrics/CyclomaticComplexity, Metrics/PerceivedComplexity

        def unknown(rule, facts, entry, about)
          known = rule.without&.call(facts, entry, about) and return known

          lacks = rule.needs.reject { |key| facts.known?(key) }
          [[Rules::ALWAYS, Rules::EVER, "unknown", { lacks: lacks }]]
        end

        private_class_method :apply, :unknown
      end
    end
  end
end
