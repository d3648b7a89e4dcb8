# frozen_string_literal: true

module SteadyMove
  module Web
    module Views
      # A judged name as JSON.
      module NameView
        module_function

        # The sheet: what the row shows, findings with evidence, all facts, history. problems:
        # sentences of a look just made; go: [account, Quote] of where it would go, or nil; ahead:
        # Desk::Planning::InShort::Ahead or nil; old_after: seconds after which facts are old;
        # events: newest first; gate: Desk::Portfolio::Gates::Gate.
        def sheet(judged, events, gate:, problems: [], go: nil, ahead: nil, old_after: nil)
          verdict = judged.verdict
          head(judged, gate).merge(
            known(judged.facts),
            verdict: verdict.kind,
            contradictions: judged.facts.contradictions.map { |k| fact_title(k) },
            to: judged.destination&.id,
            problems: problems,
            family: judged.judgement.family&.title,
            move: move(judged.move),
            needs_carry: judged.needs_carry?,
            dns_stays: judged.facts.dns_stays.to_s,
            can_move:
              judged.findings_open.empty? && judged.verdict.lacking.empty? && judged.move.nil?,
            go: go && going(*go),
            ahead: ahead && in_short(ahead),
            findings: verdict.findings.map { |f| finding(f) },
            unknown: verdict.unknown.map(&:to_h),
            old: judged.age.nil? || (!old_after.nil? && judged.age > old_after),
            history: events.map { |e| EventView.line(e) },
            horizon_days: Desk::Portfolio::Judging::HORIZON / 86_400
          )
        end

        def move(move) = move && { id: move.id, stage: move.state.stage }

        def going(account, quote)
          {
            account: account.title,
            account_id: account.id,
            total: Json.amount(quote.total),
            saves: Json.amount(quote.saves)
          }
        end

        def in_short(ahead)
          {
            finish: ahead.finish.map { |t| Json.time(t) },
            futures: MoveView.futures(ahead.futures),
            uptime: MoveView.uptime(ahead.uptime),
            expected_expiry: Json.time(ahead.expected_expiry)
          }
        end

        # cards: [Core::Contacts::Card]; choices: [Core::Contacts::Repairs::Choice].
        def contacts(cards, choices)
          { cards: cards.map { |c| contact(c) }, choices: choices.map { |c| choice(c) } }
        end

        def contact(card)
          {
            role: card.role,
            fields: card.fields.except("id"),
            missing: card.missing,
            whole: card.whole?,
            mailbox: card.mailbox,
            mailbox_at: Json.time(card.mailbox_at),
            shared_with: card.shared_with,
            on_name: card.on_name
          }
        end

        def choice(choice)
          {
            id: choice.id,
            title: Words.text(choice.title),
            says: choice.says.map { |s| Words.text(s) },
            possible: choice.possible == true,
            best: choice.best == true,
            changes: choice.changes&.first,
            blocked_until: Json.time(choice.blocks&.last)
          }
        end

        def known(facts)
          {
            locked: facts.lock.to_value,
            client: facts[:client],
            name_servers: facts[:name_servers] || [],
            dns_host: facts[:dns_host],
            seen_at: Json.time(facts.oldest(:statuses, :expires_at)),
            contradicting: facts.contradictions.any?,
            facts: facts.all.map { |f| fact(f) }
          }
        end

        def head(judged, gate)
          name = judged.name
          {
            name: name.ascii,
            unicode: name.unicode,
            suffix: name.suffix,
            account: judged.account.title,
            account_id: judged.account.id,
            was: nil,
            expires_at: Json.time(judged.facts[:expires_at]),
            stay: stay(judged.account),
            **ruler(judged.judgement.outline, judged.at, judged.judgement.latest_safe_start, gate)
          }
        end

        # Gate and ruler of an outline at an instant. gate: Desk::Portfolio::Gates::Gate.
        def ruler(outline, at, latest_safe, gate)
          from = at.to_i
          to = from + Desk::Portfolio::Judging::HORIZON
          {
            gate: gate(gate),
            windows: pairs(outline.windows(from, to)),
            soft: pairs(outline.soft(from, to)),
            dark: pairs(outline.dark(from, to)),
            earliest_start: Json.seconds(outline.earliest_start(from)),
            latest_safe_start: Json.seconds(latest_safe),
            next_window: outline.next_window(from, to)&.then { |w| pairs([w]).first }
          }
        end

        def gate(gate)
          {
            kind: gate.kind,
            clears_at: Json.seconds(gate.clears_at),
            steps: gate.steps,
            needs: gate.needs,
            rests_on_less: gate.rests_on_less
          }
        end

        def stay(account) = account.prices_of.renew&.to_h

        def pairs(intervals) = intervals.map { |a, b| [Json.seconds(a), Json.seconds(b)] }

        def finding(finding)
          {
            rule: finding.rule,
            title: finding.title,
            effect: finding.effect,
            in_move: finding.in_move,
            because: finding.because,
            remedy: finding.remedy,
            clears_at: Json.time(finding.clears_at),
            source: finding.source.slice("text", "kind", "verified"),
            evidence: finding.evidence.map { |f| fact(f) }
          }
        end

        def fact(fact)
          {
            key: fact.key,
            title: fact_title(fact.key),
            value: fact.day&.first || Json.value(fact.value),
            assumed: fact.day&.last,
            source: fact.source,
            seen_at: Json.time(fact.seen_at),
            ref: fact.ref
          }
        end

        # Facts that nobody has put into words yet go by their key.
        def fact_title(key) = Words.maybe(:"facts.#{key}") || key.to_s.tr("_", " ").capitalize
        private_class_method :move,
                             :fact_title,
                             :going,
                             :in_short,
                             :contact,
                             :choice,
                             :finding,
                             :fact,
                             :head,
                             :known,
                             :pairs
      end
    end
  end
end
