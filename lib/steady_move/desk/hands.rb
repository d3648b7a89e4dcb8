# frozen_string_literal: true

module SteadyMove
  module Desk
    # What is left for people to do by hand over all open moves, gathered by place so that they sign in once; and what they say about it.
    class Hands
      # What can't be said in the state a move is in; says why.
      class NotNow < StandardError; end

      # One act. letter: whether it is asked for by letter; since: when it became due; said_at: when it was said to be done, or written for.
      Item = Struct.new(:move_id, :name, :step, :title, :hand, :phase, :says, :since, :said_at, :letter, keyword_init: true)
      Place = Struct.new(:id, :title, :site, :login, :items, keyword_init: true)
      # Moves whose privacy service goes off once the owner consents; until: by when the slowest should have landed.
      Consents = Struct.new(:moves, :shown, :until, keyword_init: true)

      SHOWN = ["name", "organization", "postal address", "telephone number", "e-mail address"].freeze

      def initialize(app)
        @app = app
        @instructions = Instructions.new(app)
      end

      # Everything that is a person's turn or said to be done, by place: [Place]. moves: open ones.
      def places(moves = @app.moves.open)
        items = moves.flat_map { |m| m.state.active.filter_map { |s| item(m, s) } }
        items.group_by { |i| i.hand.place }.map do |id, list|
          hand = list.first.hand
          Place.new(id: id, title: hand.title, site: list.map { |i| i.hand.site }.uniq.size == 1 ? hand.site : nil, login: hand.login, items: list)
        end
      end

      # What waits for consent; nil where nothing does.
      def consents(moves = @app.moves.open)
        waiting = moves.select { |m| m.state["consent"]&.active? && m.state.consent.nil? }
        return if waiting.empty?

        ends = waiting.map { |m| Core::Forecast::Schedule.finish(Core::Forecast::Schedule.of(m.state, at: @app.now)).last }.max
        Consents.new(moves: waiting, shown: SHOWN, until: ends)
      end

      # steps: [[move id, step]] that a person says are done; from now on the desk looks for the proof. Raises NotNow, and then nothing is said.
      def said(steps, by:)
        moves = steps.map { |id, step| [waiting(id, step), step] }
        @app.db.transaction(mode: :immediate) do
          moves.each do |move, step|
            note(move, "said", "#{by} says that it is done: #{move.state[step].step.titled(move.plan.words)}. The desk looks for the proof from now on.", by, step: step)
            @app.moves.due_now(move.id, at: @app.now)
          end
        end
      end

      # One consent for several moves. given_by: the owner, in words; ends: Time until which the contacts may be public.
      def consent(ids, given_by:, ends:, by:)
        raise NotNow, "It has to be said who gave the consent." if given_by.strip.empty?
        raise NotNow, "The consent has to end in the future." unless ends > @app.now

        moves = ids.map { |id| waiting(id, "consent") }
        @app.db.transaction(mode: :immediate) do
          moves.each do |move|
            data = { "given_by" => given_by.strip, "shown" => SHOWN, "from" => @app.now, "until" => ends }
            note(move, "consent", "#{given_by.strip} consents to the contacts of #{move.name} being public, recorded by #{by}.", by, step: "consent", data: data)
            @app.moves.due_now(move.id, at: @app.now)
          end
        end
      end

      # A new code instead of one that can't be used: set over the connection where there is one, else asked for again by hand. Raises NotNow.
      def new_code(id, by:)
        move = @app.moves.find(id) or raise NotNow, "There is no move number #{id}."
        raise NotNow, "A new code can be set until the order goes out." if move.state.done?("order") || move.state.ending || !move.plan.options.include?(:code)

        step = move.plan.options.include?(:ask) ? "ask-code" : "get-code"
        step == "get-code" ? set_code(move, by) : @app.keepings.wipe_name(move.name)
        note(move, "reopened", "#{by} asked for a new authorization code.", by, step: step)
        @app.moves.due_now(id, at: @app.now)
      end

      private

      def item(move, state)
        return unless state.step.by_hand? && (state.turn == "yours" || move.state.set_going_at(state.step.id))
        return if state.step.id == "prove-contact" && state.phase != "stuck" && @app.letters.of_step(move.id, "prove-contact", to: Instructions.contact(@app, move))

        Item.new(move_id: move.id, name: move.name, step: state.step.id, title: state.step.titled(move.plan.words), hand: @instructions.of(move, state), phase: state.phase, says: state.says,
                 since: state.since, said_at: move.state.set_going_at(state.step.id), letter: state.step.by_letter?)
      end

      def waiting(id, step)
        move = @app.moves.find(id) or raise NotNow, "There is no move number #{id}."
        state = move.state[step]
        raise NotNow, "The move of #{move.name} does not wait for that now." unless state&.active? && (state.step.by_hand? || step == "consent")

        move
      end

      # The sponsor may set a new code (RFC 5731 §3.2.5); one without characters that any side is known to trip over (RFC 9154 §4: from a
      # strong source, long enough).
      def set_code(move, by)
        code = Array.new(20) { Core::Codes::Code::PLAIN.sample(random: SecureRandom) }.join
        key = "sm-#{move.id}-new-code-#{move.events.size}"
        note(move, "intended", "Setting a new authorization code.", by, step: "get-code", data: { "key" => key })
        @app.epp.with(@app.accounts.find(move.from_account)) { |c| c.request(Wire::Epp::Commands.update(name: move.name, id: key, auth_info: code)) }
        @app.keepings.put_code(move.id, move.name, code, at: @app.now)
      rescue Wire::Error => e
        raise NotNow, "No new code could be set: #{e.says}."
      end

      def note(move, type, says, by, step:, data: {}) = @app.journal.add(type, at: @app.now, says: says, by: by, move_id: move.id, name: move.name, step: step, data: data)
    end
  end
end
