# frozen_string_literal: true

module SteadyMove
  module Web
    module Views
      # Batches and their reviews as JSON.
      module BatchView
        module_function

        # moves: those of its names that have begun.
        def line(batch, counts, moves)
          {
            id: batch.id,
            title: batch.title,
            state: batch.state,
            by: batch.by,
            made_at: Json.time(batch.made_at),
            started_at: Json.time(batch.started_at),
            counts: counts || {},
            moving: moves.count(&:open),
            settled: moves.count { |m| m.state.ending == "settled" }
          }
        end

        # cards: {move id => card}.
        def sheet(batch, members, cards, lines)
          counts = members.map(&:state).tally
          begun = members.filter_map(&:move_id).map { |id| cards[id] }
          {
            batch:
              line(batch, counts, []).merge(
                moving: begun.count { |c| c[:open] },
                settled: begun.count { |c| c[:stage] == Core::Moves::State::ENDINGS["settled"] }
              ),
            fresh: members.count { |m| m.waiting? && !batch.accepted&.key?(m.name) },
            settings: batch.settings,
            asked_by: batch.asked_by,
            approved_by: batch.approved_by,
            members: members.map { |m| member(m, cards) },
            lines: lines.map { |e| EventView.line(e) }
          }
        end

        def member(member, cards)
          {
            **Json.name(member.name),
            state: member.state,
            own: member.own,
            says: member.says,
            move: cards[member.move_id]
          }
        end

        # REVIEW: Desk::Batches::BatchReview::Review.
        def review(review, accounts)
          {
            rows: review.rows.map { |r| row(r) },
            sums: sums(review.sums),
            places: places(review, accounts),
            waves: review.waves.map { |w| wave(w) },
            above: review.above,
            risks: review.risks.map { |r| risk(r) },
            asks: review.asks.map { |a| a.to_h.merge(Json.names(a.names)) },
            range: review.range.map { |t| Json.time(t) }
          }
        end

        def risk(risk)
          cases = risk.cases.map { |says, names| { says: says, **Json.names(names) } }
          { key: risk.key, harm: risk.harm, note: risk.note, cases: cases }
        end

        # found: Desk::Batches::Rehearsing::Lives.
        def rehearsal(found)
          {
            runs: found.runs,
            names: found.names,
            range: found.range.map { |t| Json.time(t) },
            endings: found.endings.map { |ending, share| { ending: ending, share: share } },
            faults: found.faults.map { |says, share| { says: says, share: share } },
            asks:
              found.asks.map do |says, place, share, at|
                { says: says, place: place, share: share, at: at.map { |t| Json.time(t) } }
              end
          }
        end

        # found: Desk::Batches::Comparison::Table.
        def comparison(found)
          {
            years: found.years,
            converted: found.converted && { to: found.converted.to, date: found.converted.date },
            rows: found.rows.map { |r| compared(r) },
            lines: found.lines.map(&:to_h)
          }
        end

        def compared(row)
          ways =
            row.ways.map do |w|
              {
                id: w.id,
                takes: w.takes,
                why: w.why,
                break_even: row.break_even[w.id],
                **listed(w.ahead, :ahead)
              }
            end
          {
            **Json.name(row.name),
            from: row.from,
            best: row.best,
            ways: ways,
            **listed(row.stay, :stay)
          }
        end

        def listed(amounts, key)
          { :currency => amounts.first&.currency, key => amounts.map(&:minor) }
        end

        def sums(sums)
          sums.merge(
            total: sums[:total].map { |a| Json.amount(a) },
            saves: sums[:saves].map { |a| Json.amount(a) }
          )
        end

        def row(row)
          row
            .to_h
            .slice(:to, :startable, :says, :by_hand, :carries, :late, :needs_host)
            .merge(
              Json.name(row.name),
              total: Json.amount(row.total),
              saves: Json.amount(row.saves),
              expires_at: Json.time(row.plan&.expires_at),
              you: in_short(row, "yours"),
              they: in_short(row, "theirs")
            )
        end

        # What one side does, in a word a step.
        def in_short(row, turn)
          steps = row.plan ? row.plan.steps.select { |s| s.turn == turn } : []
          steps.map { |s| Words.say(:"steps.#{s.id}.short") }.uniq
        end

        def places(review, accounts)
          counts = review.able.map(&:to).tally
          review.by_place.map do |to, sums|
            { to: to, title: accounts.find(to).title, names: counts[to], sums: sums(sums) }
          end
        end

        def wave(wave)
          {
            number: wave.number,
            **Json.names(wave.names),
            why: wave.why,
            starts_at: Json.time(wave.starts_at),
            ends: wave.ends.map { |t| Json.time(t) },
            late: wave.late
          }
        end
        private_class_method :compared, :listed, :member, :sums, :row, :in_short, :places, :wave
      end
    end
  end
end
