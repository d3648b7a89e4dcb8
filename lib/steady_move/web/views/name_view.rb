# frozen_string_literal: true

module SteadyMove
  module Web
    module Views
      # A judged name as JSON.
      module NameView
        LOCK = Core::Names::Statuses::LOCK

        module_function

        # One row of Names.
        def row(judged)
          facts = judged.facts
          { name: judged.name.ascii, unicode: judged.name.unicode, suffix: judged.name.suffix, account: judged.account.title, account_id: judged.account.id,
            gate: gate(judged.verdict), expires_at: Json.time(facts[:expires_at]),
            locked: facts.known?(:statuses) ? facts.statuses.include?(LOCK) : nil,
            name_servers: facts[:name_servers] || [], dns_host: facts[:dns_host], stay: stay(judged.account),
            seen_at: Json.time(facts.oldest(:statuses, :expires_at)), move: judged.move && { id: judged.move.id, stage: judged.move.state.stage } }
        end

        # The sheet: row, findings with evidence, all facts, history.
        def sheet(judged, events, problems: [])
          row(judged).merge(
            findings: judged.verdict.findings.map { |f| finding(f) }, unknown: judged.verdict.unknown.map(&:to_h), problems: problems,
            facts: judged.facts.all.map { |f| fact(f) }, contradictions: judged.facts.contradictions, needs_carry: judged.needs_carry?,
            can_move: judged.findings_open.empty? && judged.move.nil?,
            history: events.reverse.map { |e| EventView.line(e) }
          )
        end

        def gate(verdict)
          { kind: verdict.kind, clears_at: Json.time(verdict.clears_at), fixes: verdict.fixes.size, rests_on_less: verdict.rests_on_less? }
        end

        def finding(finding)
          { rule: finding.rule, effect: finding.effect, because: finding.because, remedy: finding.remedy, clears_at: Json.time(finding.clears_at),
            source: finding.source.slice("text", "kind", "verified"), evidence: finding.evidence.map { |f| fact(f) } }
        end

        def fact(fact)
          { key: fact.key, value: Json.value(fact.value), source: fact.source, seen_at: Json.time(fact.seen_at), ref: fact.ref }
        end

        def stay(account)
          account.prices["renew"] && { minor: account.prices["renew"], currency: account.prices["currency"] }
        end
        private_class_method :finding, :fact, :stay
      end
    end
  end
end
