# frozen_string_literal: true

module SteadyMove
  module Web
    module Views
      # Moves and proposals as JSON.
      module MoveView
        module_function

        # One line of a list, and a card of the Desk. looks: {[move id, step] => Time}.
        def card(move, looks, now)
          state = move.state
          current = state.current
          { id: move.id, name: move.name, from: move.plan.words[:from], to: move.plan.words[:to], stage: state.stage, open: move.open,
            turn: move.open ? state.turn : nil, started_at: Json.time(move.started_at), finish: finish(move, now),
            sentence: current&.step&.titled(move.plan.words), step: current&.step&.id, says: current&.says, phase: current&.phase,
            since: Json.time(current&.since), until: Json.time(current && deadline(move, current)&.last), until_means: current && deadline(move, current)&.first, look_at: Json.time(current && looks[[move.id, current.step.id]]),
            exposed: exposed(state, now), can_approve: approve?(state), by_hand: current&.step&.by_hand? || current&.step&.id == "consent" }
        end

        # The sheet of one move: card, track, steps, journal.
        # hands: answers what a person does at an active step, or nil.
        def sheet(move, looks, now, code_state:, hands:)
          state = move.state
          card(move, looks, now).merge(
            deadline: Json.time(state.deadline), can_call_off: state.ending.nil? && !state.done?("release"),
            expires_at: Json.time(move.plan.expires_at), expected_expiry: Json.time(move.plan.expected_expiry), code: code_state,
            carries: move.plan.carry?, words: move.plan.words, checks: checks(move), steps: steps(state, move, looks, hands), consent: consent(state),
            can_renew_code: state.ending.nil? && move.plan.options.include?(:code) && !state.done?("order"), blocks: blocks(state, now),
            events: move.events.reverse.map { |e| EventView.line(e) }
          )
        end

        # What was checked after landing, as ordered and as found.
        def checks(move) = move.events.reverse.find { |e| e.step == "check-landed" && e.done? }&.data&.fetch("checks", []) || []

        def proposal(proposal, now)
          plan = proposal.plan
          state = Core::Moves::State.fold(plan, [])
          { name: plan.name, from: plan.words[:from], to: plan.words[:to], refusals: proposal.refusals, cautions: proposal.cautions,
            startable: proposal.startable?, quote: quote(proposal.quote), expires_at: Json.time(plan.expires_at),
            expected_expiry: Json.time(plan.expected_expiry), years: plan.years, carries: plan.carry?, words: plan.words,
            zone: proposal.zone&.to_h&.slice(:host, :sets, :serial, :settle_seconds),
            steps: state.steps.map { |s| step(s, plan.words) }, blocks: blocks(state, now),
            finish: Core::Forecast::Schedule.finish(proposal.schedule).map { |t| Json.time(t) } }
        end

        def quote(quote)
          { fee: Json.amount(quote.fee), promotion: Json.amount(quote.promotion), per_transaction: Json.amount(quote.per_transaction),
            tax: Json.amount(quote.tax), total: Json.amount(quote.total), stay: Json.amount(quote.stay), saves: Json.amount(quote.saves) }
        end

        def steps(state, move, looks, hands)
          state.steps.map do |s|
            step(s, move.plan.words).merge(look_at: Json.time(looks[[move.id, s.step.id]]), hand: (hands.call(s) if s.active?), said_at: Json.time(s.active? ? state.set_going_at(s.step.id) : nil))
          end
        end

        # For how long the contacts were public, and whether longer than the owner consented to; nil where they never were.
        def exposed(state, now)
          spans = state.exposed
          return if spans.empty?

          { since: Json.time(spans.first.first), until: Json.time(spans.last.last), seconds: spans.sum { |from, to| ((to || now) - from).round }, over: state.overexposed?(now) }
        end

        def consent(state) = state.consent&.then { |c| { given_by: c["given_by"], shown: c["shown"], from: Json.time(c["from"]), until: Json.time(c["until"]) } }

        def step(state, words)
          step = state.step
          { id: step.id, rail: step.rail, stage: step.stage, turn: state.turn, title: step.titled(words), proof: step.proof, undo: Core::Moves::Step.filled(step.undo, words), by_hand: step.by_hand?, way: step.way,
            phase: state.phase, says: state.says, since: Json.time(state.since), done_at: Json.time(state.done_at), takes: step.takes, needs: step.needs }
        end

        def blocks(state, now)
          Core::Forecast::Schedule.of(state, at: now).map do |b|
            { id: b.id, past: b.past, starts: b.starts.map { |t| Json.time(t) }, ends: b.ends.map { |t| Json.time(t) } }
          end
        end

        def finish(move, now)
          return [] unless move.open

          Core::Forecast::Schedule.finish(Core::Forecast::Schedule.of(move.state, at: now)).map { |t| Json.time(t) }
        end

        # What an instant means and when: it goes on by itself, it is late, it is over. nil where nothing runs out: nobody has begun.
        def deadline(move, step_state)
          return move.state.deadline && ["by-itself", move.state.deadline] if step_state.step.id == "release" && move.plan.way("silence") != "lapses"
          return if step_state.turn == "yours" || step_state.since.nil?

          begun = move.state.set_going_at(step_state.step.id) || step_state.since
          [step_state.turn == "clock" ? "over" : "late", begun + step_state.step.takes.last]
        end

        def approve?(state)
          release = state["release"]
          state.ending.nil? && !release.nil? && release.active? && !state.approved? && !release.step.by_hand?
        end
        private_class_method :checks, :quote, :steps, :step, :exposed, :consent, :blocks, :finish, :deadline, :approve?
      end
    end
  end
end
