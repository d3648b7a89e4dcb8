# frozen_string_literal: true

module SteadyMove
  module Desk
    module Planning
      # A move that is under way follows what was learnt of its registrars: what would change is
      # shown first, and changed on a person's word.
      class PlanRevising
        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # move: Store::Moves::Move. Returns Core::Moves::Revision, or nil where nothing would
        # change.
        def of(move)
          return unless going?(move)

          to = @ports.accounts.find(move.to_account)
          judged = Portfolio::Judging.new(@ports).one(move.name, to: to&.id)
          return unless judged&.account&.id == move.from_account

          found = revision(move, judged, to || judged.account)
          found if found.any?
        end

        # Each change as a sentence: [String].
        def told(move)
          of(move)&.lines.to_a.map { |line| sentence(line) }
        end

        # Changes the plan. id: of the move; told: the sentences that were shown. Raises Refused
        # where there is nothing to change, or something else by now.
        def revise(id, told:, by:)
          move = @ports.moves.find(id) or raise Refused.new(:unknown, :no_move, id: id)
          found = of(move) or raise Refused.new(:not_now, :nothing_to_revise, name: move.name)
          now = found.lines.map { |line| sentence(line) }
          raise Refused.new(:not_now, :revised_otherwise, what: now) unless now == told

          @ports.db.transaction do
            @ports.moves.revise(id, found.plan)
            note(move, now, by)
          end
          @ports.schedule.wake(id, @ports.now)
        end

        private

        def going?(move) = move.open && move.state.ending.nil? && !move.plan.dns_only?

        def revision(move, judged, to)
          Core::Moves::Revision.new(
            move.state,
            ways: AccountWays.of(@ports, judged, to),
            options: options(move.plan, judged, to)
          )
        end

        # Who has to be asked for their identity follows from the service alone, whether privacy is
        # still on or not.
        def options(plan, judged, to)
          host = plan.new_host && @ports.accounts.host_of(plan.new_host)
          found = PlanOptions.new(@ports, judged, to, host, plan.wanted)
          mine = plan.prepare? ? found.made_ready_options : found.all
          covered = plan.options.include?(:privacy)
          mine -= %i[ask one_letter] unless plan.options.include?(:code)
          (mine - [:identity]) + (covered ? found.uncovering_options : [])
        end

        def sentence(line)
          step = Words.say(:"steps.#{line.id}.short")
          Words.say(:"plan.revised.#{line.kind}", step: step, was: way(line.was), is: way(line.is))
        end

        def way(way) = way && Words.say(:"plan.revised.ways.#{way}")

        def note(move, lines, by)
          @ports.journal.add(
            "plan-changed",
            at: @ports.now,
            by: by,
            move_id: move.id,
            name: move.name,
            says: Words.phrase("journal.plan_changed", by: by, what: lines.join(" "))
          )
        end
      end
    end
  end
end
