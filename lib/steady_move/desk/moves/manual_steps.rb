# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      # What is left for people to do by hand over all open moves, gathered by place so that they
      # sign in once; and what they say about it.
      class ManualSteps
        # One act. proof: what shows that it is done; letter: whether it is asked for by letter;
        # since: when it became due; said_at: when it was said to be done, or written for.
        Item =
          Struct.new(
            :move_id,
            :name,
            :step,
            :title,
            :proof,
            :hand,
            :phase,
            :says,
            :since,
            :said_at,
            :letter,
            keyword_init: true
          )
        # An act by hand that was proven: a move, its name, the step and when.
        Proven = Struct.new(:move_id, :name, :step, :title, :at, keyword_init: true)
        # So far back goes what was proven lately (seconds).
        LATELY = 2 * 3600
        Place = Struct.new(:id, :title, :site, :login, :items, keyword_init: true)
        # Moves whose privacy service goes off once the owner consents; until: by when the slowest
        # should have landed.
        Consents = Struct.new(:moves, :shown, :until, keyword_init: true)

        # What a problem carries that stays until its step is done or said to be (ByHand.asking).
        REFUSED_THERE = { "yours" => true, "refused" => "there" }.freeze

        SHOWN = %w[name organization address telephone email].freeze

        def initialize(ports)
          @ports = Ports.of(ports)
          @instructions = Instructions.new(@ports)
        end

        # Everything that is a person's turn or said to be done, by place: [Place]. moves: open
        # ones.
        def places(moves = @ports.moves.by_hand)
          items = moves.flat_map { |m| m.state.active.filter_map { |s| item(m, s) } }
          items
            .group_by { |i| i.hand.place }
            .map do |id, list|
              hand = list.first.hand
              one_site = list.map { |i| i.hand.site }.uniq.size == 1
              Place.new(
                id: id,
                title: hand.title,
                site: (hand.site if one_site),
                login: hand.login,
                items: list
              )
            end
        end

        # What was proven lately of acts by hand at a place, the newest first: [Proven]. place: as
        # Place's id; moves: those that may have it.
        def proven(place, moves = @ports.moves.open)
          moves
            .flat_map { |m| m.state.steps.filter_map { |s| proof_of(m, s, place) } }
            .sort_by { |p| -p.at.to_f }
        end

        # What waits for consent; nil where nothing does.
        def consents(moves = @ports.moves.by_hand)
          waiting =
            moves.select { |m| m.state.with_trait(:consent)&.active? && m.state.consent.nil? }
          return if waiting.empty?

          schedule = Core::Forecast::Schedule
          ends =
            waiting.map { |m| schedule.finish(schedule.draft(m.state, at: @ports.now)).last }.max
          Consents.new(moves: waiting, shown: shown, until: ends)
        end

        # steps: [[move id, step]] that a person says are done; from now on the desk looks for the
        # proof. Raises Refused, and then nothing is said. data: what they say with it, for the
        # journal.
        def said(steps, by:, data: {})
          moves = steps.map { |id, step| [waiting(id, step), step] }
          @ports.db.transaction do
            moves.each do |move, step|
              note(move, "said", by, step: step, what: title(move, step), data: data)
            end
          end
        end

        # What was said to be done is not, after all: until it is proven, it is to be done again.
        # Raises Refused.
        def unsaid(steps, by:)
          moves = steps.map { |id, step| [said_before(id, step), step] }
          @ports.db.transaction do
            moves.each do |move, step|
              note(move, "reopened", by, step: step, key: "unsaid", what: title(move, step))
              @ports.schedule.wake(move.id, @ports.now)
            end
          end
        end

        # The place won't do what a step by hand asks for: a person's turn, until the proof shows
        # or they say that it is done. words: what it said. An order's refusal is ManualOrders'.
        # Raises Refused.
        def refused(id, step, words:, by:)
          move = not_an_order(waiting(id, step), step)
          raise Refused.new(:invalid, :refusal_without_words) if words.strip.empty?

          @ports.db.transaction do
            note(move, "reopened", by, step: step, key: "step_refused", what: title(move, step))
            says = there(move, move.state[step], words.strip.delete_suffix("."))
            note(move, "problem", by, step: step, says: says, data: REFUSED_THERE)
          end
        end

        # One consent for several moves. given_by: the owner, in words; ends: Time until which the
        # contacts may be public.
        # Raises Refused.
        def consent(ids, given_by:, ends:, by:)
          raise Refused.new(:not_now, :consent_by_nobody) if given_by.strip.empty?
          raise Refused.new(:not_now, :consent_in_the_past) unless ends > @ports.now

          moves = ids.map { |id| consenting(id) }
          data = {
            "given_by" => given_by.strip,
            "shown" => shown,
            "from" => @ports.now,
            "until" => ends
          }
          @ports.db.transaction do
            moves.each do |move, step|
              note(move, "consent", by, step: step, data: data, given_by: given_by.strip)
            end
          end
        end

        # A new code instead of one that can't be used: set over the connection where there is one,
        # else asked for again by hand.
        # Raises Refused.
        def new_code(id, by:)
          move = not_ended(find(id))
          step = move.plan.with_trait(:code)
          if step.nil? || move.state.with_trait(:orders)&.done?
            raise Refused.new(:not_now, :code_no_more)
          end

          step.by_hand? ? @ports.codes.wipe(move.name) : set_code(move, step, by)
          note(move, "reopened", by, step: step.id, key: "new_code_asked")
          @ports.schedule.wake(id, @ports.now)
        end

        private

        def shown = SHOWN.map { |key| Words.say(:"contacts.fields.#{key}") }

        def proof_of(move, state, place)
          lately = state.done? && state.done_at && @ports.now - state.done_at < LATELY
          return unless lately && state.step.by_hand?
          return unless @instructions.place(move, state.step) == place

          words = @instructions.words(move)
          Proven.new(
            move_id: move.id,
            name: move.name,
            step: state.step.id,
            title: Words.say(:"steps.#{state.step.id}.title", **words),
            at: state.done_at
          )
        end

        def item(move, state)
          step = state.step
          return unless step.by_hand? && (state.turn == "yours" || move.state.set_going_at(step.id))
          return if step.trait?(:asks_back) && state.phase != "stuck" && written?(move, step)

          words = @instructions.words(move)
          Item.new(
            move_id: move.id,
            name: move.name,
            step: step.id,
            title: Words.say(:"steps.#{step.id}.title", **words),
            proof: Words.say(:"steps.#{step.id}.proof", **words),
            hand: @instructions.for_step(move, state, words: words),
            phase: state.phase,
            says: Words.retold(state.event),
            since: state.since,
            said_at: move.state.set_going_at(step.id),
            letter: step.by_letter?
          )
        end

        # Has the word gone out already?
        def written?(move, step)
          @ports.letters.of_step(
            move.id,
            step.id,
            to: Instructions.contact(@ports.accounts, @ports.names, move)
          )
        end

        def not_ended(move)
          return move unless move.state.ending

          raise Refused.new(:not_now, :ended, name: move.name, stage: move.state.stage)
        end

        def find(id) = @ports.moves.find(id) || raise(Refused.new(:not_now, :no_move, id: id))

        def waiting(id, step)
          move = find(id)
          state = move.state[step]
          return move if state&.active? && (state.step.by_hand? || state.step.trait?(:consent))

          raise Refused.new(:not_now, :not_waiting_for_that, name: move.name)
        end

        def not_an_order(move, step)
          asked = move.state[step].step
          return move if asked.by_hand? && !asked.trait?(:refusable)

          raise Refused.new(:not_now, :not_waiting_for_that, name: move.name)
        end

        def said_before(id, step)
          move = find(id)
          state = move.state[step]
          return move if state&.active? && !move.state.begun_at(step).nil?

          raise Refused.new(:not_now, :nothing_said, name: move.name)
        end

        def consenting(id)
          move = find(id)
          step = move.plan.with_trait(:consent) or
            raise Refused.new(:not_now, :not_waiting_for_that, name: move.name)
          [waiting(id, step.id), step.id]
        end

        # The sponsor may set a new code (RFC 5731 §3.2.5).
        def set_code(move, step, by)
          code = Core::Codes::Code.fresh(SecureRandom)
          key = "sm-#{move.id}-new-code-#{move.events.size}"
          note(move, "intended", by, step: step.id, key: "setting_code", data: { "key" => key })
          command = Wire::Epp::Commands.update(name: move.name, id: key, auth_info: code)
          @ports.epp.with(@ports.accounts.find(move.from_account)) { |c| c.request(command) }
          @ports.codes.put(move.id, move.name, code, at: @ports.now)
        rescue Wire::Error => e
          raise Refused.new(:not_now, :code_not_set, says: e.says)
        end

        # What a place said, as the step's problem from then on.
        def there(move, state, words)
          hand = @instructions.for_step(move, state, words: @instructions.words(move))
          Words.phrase("by_hand.refused_there", place: hand.title, words: words)
        end

        def title(move, step) = Words.phrase("steps.#{step}.title", **words(move))

        def words(move)
          contact = Instructions.contact(@ports.accounts, @ports.names, move)
          Common::MoveWords.values(move.plan, @ports.accounts).merge(
            contact: contact || Words.phrase("common.its_contact")
          )
        end

        def note(move, type, by, step:, key: type, data: {}, says: nil, **values)
          says ||= Words.phrase("journal.#{key}", by: by, name: move.name, **values)
          @ports.journal.add(
            type,
            at: @ports.now,
            says: says,
            by: by,
            move_id: move.id,
            name: move.name,
            step: step,
            data: data
          )
        end
      end
    end
  end
end
