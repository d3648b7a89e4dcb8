# frozen_string_literal: true

module SteadyMove
  module Web
    module Views
      # Moves and proposals as JSON. words: of Desk::Common::MoveWords, for the sentences.
      module MoveView
        EVENTS = 200

        # What a screen says of a move in its own sentences.
        WORDS = %i[name from to old_host new_host].freeze

        module_function

        # One line of a list, and a card of the Desk. looks: {[move id, step] => Time}; short:
        # Desk::Planning::InShort; range: Desk::Forecast::Forecasts::Range, nil where it is over.
        def card(move, words, looks, now, short, range = nil)
          state = move.state
          current = state.current
          means, ends = Desk::Moves::Timeline.deadline(move)
          {
            id: move.id,
            **Json.name(move.name),
            kind: move.plan.kind,
            **way(move.plan, words),
            stage: state.stage,
            open: move.open,
            turn: move.open ? state.turn : nil,
            started_at: Json.time(move.started_at),
            finish: finish(range),
            futures: futures(range&.futures),
            until: Json.time(ends),
            until_means: means,
            look_at: Json.time(current && looks[[move.id, current.step.id]]),
            exposed: exposed(state, now),
            can_approve: Core::Moves::ActsNow.new(state, open: move.open).approve?,
            price: price(move.plan),
            keeper: Desk::Moves::Assignment.current(move),
            uptime: uptime(short.uptime(move.plan)),
            result: short.result(move),
            **now_at(current, words)
          }
        end

        # Whence and whither: between registrars, or DNS hosts where the records move alone.
        def way(plan, words)
          ends = plan.dns_only? ? %i[old_host new_host] : %i[from to]
          %i[from to].zip(words.values_at(*ends)).to_h
        end

        # Do site and mail stay up, and what that rests on.
        def uptime(found)
          found.to_h.merge(stays: found.stays.to_s)
        end

        # What is known of the zone that is carried.
        def zone(survey)
          survey
            .to_h
            .slice(:host, :sets, :serial, :settle_seconds, :greatest, :lowered, :editable)
            .merge(complete: survey.complete && Words.text(survey.complete))
        end

        # The sheet of one move: card, track, steps, journal. hands: answers what a person does at
        # an active step, or nil.
        def sheet(move, words, looks, now, short, range = nil, code_state:, hands:, cost: nil)
          state = move.state
          card(move, words, looks, now, short, range).merge(
            paid: cost && paid(*cost),
            rests_on: rests_on(range, words),
            deadline: Json.time(state.deadline),
            expires_at: Json.time(move.plan.expires_at),
            code: code_state,
            words: shown(move.plan, words),
            expected_expiry: Json.time(Desk::Common::ExpiryAfter.of(move).first),
            carries: move.plan.carry?,
            checks: checks(state),
            steps: steps(state, move, words, looks, hands),
            consent: consent(state),
            blocks: blocks(state, now),
            **about(move),
            events: move.events.last(EVENTS).reverse.map { |e| EventView.line(e) },
            events_go_on: move.events.size > EVENTS
          )
        end

        def proposal(proposal, words, now, range, stays_up:)
          plan = proposal.plan
          {
            name: plan.name,
            from: words[:from],
            to: words[:to],
            refusals: proposal.refusals,
            cautions: proposal.cautions,
            in_grace: proposal.plan.in_grace == true,
            startable: proposal.startable?,
            lost_days: proposal.lost_days,
            uptime: uptime(stays_up),
            quote: quote(proposal.quote),
            expires_at: Json.time(plan.expires_at),
            expected_expiry: Json.time(plan.expected_expiry),
            years: plan.years,
            carries: plan.carry?,
            words: shown(plan, words),
            ready: AccountView.ready(proposal.ready),
            aims: plan.wanted.to_plan,
            zone: proposal.zone&.then { |z| zone(z) },
            **course(plan, words, now, range),
            late: proposal.late,
            dns_question: proposal.dns_question,
            renewed_from: Json.time(plan.renewed_from),
            renewal: Json.amount(proposal.renewal),
            total: Json.amount(proposal.total)
          }
        end

        # A move of the records alone, before it begins. zone: Desk::Planning::ZoneSurvey; range:
        # Desk::Forecast::Forecasts::Range.
        def handover(plan, zone, words, now, range)
          {
            **Json.name(plan.name),
            **way(plan, words),
            registrar: words[:from],
            cautions: [zone.problem].compact.map { |says| Words.text(says) },
            expires_at: Json.time(plan.expires_at),
            zone: zone(zone),
            **course(plan, words, now, range)
          }
        end

        # How a plan would go if it began now.
        def course(plan, words, now, range)
          state = Core::Moves::State.fold(plan, [])
          {
            steps: state.steps.map { |s| step(s, words) },
            blocks: blocks(state, now),
            finish: finish(range),
            futures: futures(range.futures),
            rests_on: rests_on(range, words)
          }
        end

        def price_row(row)
          row.to_h.merge(
            ahead: row.ahead.map { |a| Json.amount(a) },
            quote: row.quote && quote(row.quote),
            converted: row.converted.map { |a| Json.amount(a) }
          )
        end

        # As it was agreed when the move began; nil where no price was known.
        def price(plan)
          plan.price&.amount&.to_h
        end
        def paid(amounts, charged)
          return if amounts.empty?

          { amounts: amounts.map { |a| Json.amount(a) }, charged: charged }
        end

        def shown(plan, words) = words.slice(*WORDS).merge(from_id: plan.from)

        # The step that the move waits for.
        def now_at(current, words)
          step = current&.step
          {
            sentence: step && Words.say(:"steps.#{step.id}.title", **words),
            short: step && Words.say(:"steps.#{step.id}.short"),
            step: step&.id,
            says: current && said(current),
            phase: current&.phase,
            since: Json.time(current&.since),
            asks: asks(step),
            by_hand: step&.by_hand? || step&.trait?(:consent) || false,
            about_code: step&.trait?(:code_check) || false
          }
        end

        # What the screen offers for a step besides instructions: a word to be sent, a consent to be
        # recorded, or nothing.
        def asks(step)
          { asks_back: "word", consent: "consent" }.find { |trait, _| step&.trait?(trait) }&.last
        end

        # Acts and the operations of the contract by which they are done.
        ACTS = {
          look: "lookNow",
          approve: "approve",
          wish: "approve",
          unwish: "unwish",
          consent: "consent",
          renew_code: "newCode",
          mend: "mendMove",
          call_off: "callOff",
          hand_over: "handOver",
          say_over: "sayOver",
          refuse: "orderRefused",
          leave: "acceptStep",
          say_whose: "sameRegistrar",
          move_back: "startMove"
        }.freeze

        # What may be done with the move now, by whoever may do these operations.
        def acts(move, operations)
          ids = Core::Moves::ActsNow.new(move.state, open: move.open).ids
          ids.select { |id| operations.include?(ACTS.fetch(id)) }
        end

        # What the acts are about.
        def about(move)
          state = move.state
          acts = Core::Moves::ActsNow.new(state, open: move.open)
          {
            asks_whose: acts.whose,
            wish: wish(state),
            wished_by: (state.wished_by unless state.approved?),
            may_be_left: acts.left.map { |s| s.step.id }
          }
        end

        # Over a connection the desk approves by itself then; else it only tells.
        def wish(state)
          release = state.with_trait(:approval)
          release && (release.step.by_hand? ? "tell" : "approve")
        end

        # What was checked after landing, as ordered and as found.
        def checks(state) = state.told("checks")&.data&.fetch("checks") || []

        def quote(quote)
          amounts =
            %i[fee promotion per_transaction privacy tax total stay saves].to_h do |k|
              [k, Json.amount(quote.public_send(k))]
            end
          { **amounts, without: quote.without }
        end

        def steps(state, move, words, looks, hands)
          state.steps.map do |s|
            going = s.active? ? state.set_going_at(s.step.id) : nil
            step(s, words).merge(
              look_at: Json.time(looks[[move.id, s.step.id]]),
              said_at: Json.time(going),
              hand: s.active? ? ManualStepsView.hand(hands.call(s)) : nil
            )
          end
        end

        # For how long the contacts were public, and whether longer than the owner consented to; nil
        # where they never were.
        def exposed(state, now)
          spans = state.exposed
          return if spans.empty?

          seconds = spans.sum { |from, to| ((to || now) - from).round }
          {
            since: Json.time(spans.first.first),
            until: Json.time(spans.last.last),
            seconds: seconds,
            over: state.overexposed?(now)
          }
        end

        def consent(state)
          given = state.consent or return
          {
            given_by: given["given_by"],
            shown: given["shown"],
            from: Json.time(given["from"]),
            until: Json.time(given["until"])
          }
        end

        def step(state, words)
          step = state.step
          words = { contact: Words.say(:"common.its_contact"), **words }
          {
            id: step.id,
            rail: step.rail,
            stage: step.stage,
            turn: state.turn,
            title: Words.say(:"steps.#{step.id}.title", **words),
            short: Words.say(:"steps.#{step.id}.short"),
            proof: Words.say(:"steps.#{step.id}.proof", **words),
            undo: Words.maybe(:"steps.#{step.id}.undo", **words),
            by_hand: step.by_hand?,
            way: step.way,
            phase: state.phase,
            says: said(state),
            since: Json.time(state.since),
            done_at: Json.time(state.done_at),
            takes: step.takes,
            needs: step.needs
          }
        end

        def said(state) = state.event && Words.retold(state.event)

        def blocks(state, now)
          Core::Forecast::Schedule
            .draft(state, at: now)
            .map do |b|
              {
                id: b.id,
                past: b.past,
                starts: b.starts.map { |t| Json.time(t) },
                ends: b.ends.map { |t| Json.time(t) }
              }
            end
        end

        # With 8 in 10 between the first and the last, as likely before as after the middle one.
        def finish(range)
          range ? range.spread.range.map { |t| Json.time(t) } : []
        end

        # What comes if people act today, and what if nobody does.
        def futures(two)
          two &&
            {
              acting: Json.time(two.acting),
              silent: Json.time(two.silent),
              means: two.means,
              ends: Json.time(two.ends)
            }
        end

        # Steps whose durations rest on finished moves: what, and on how many.
        def rests_on(range, words)
          (range&.rests_on || {}).map do |id, count|
            { step: Words.say(:"steps.#{id}.title", **words), moves: count }
          end
        end

        private_class_method :shown,
                             :price,
                             :paid,
                             :now_at,
                             :asks,
                             :about,
                             :wish,
                             :checks,
                             :quote,
                             :steps,
                             :step,
                             :said,
                             :exposed,
                             :consent,
                             :blocks
      end
    end
  end
end
