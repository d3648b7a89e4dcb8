# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      # Every approval that is due, and those that are to come: by whom, how, until when, what
      # silence does, and what approving now saves.
      class Approvals
        # After an approval it takes about so long (seconds): a quarter of an hour, common practice.
        AFTER = 900
        # how: the way of the step; ends: until when, nil where it is not known; silence: approves,
        # lapses or nothing; saves: seconds that approving now is sooner than silence; able: can it
        # be approved here?
        Item =
          Struct.new(
            :move_id,
            :name,
            :step,
            :says,
            :how,
            :ends,
            :assumed,
            :silence,
            :saves,
            :able,
            :approved,
            keyword_init: true
          )
        Place = Struct.new(:id, :title, :site, :items, keyword_init: true)
        # One that is not asked for yet. expected: when it will usually be asked for.
        Coming = Struct.new(:move_id, :name, :from, :wished, :expected, keyword_init: true)

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # Returns [Place], the one whose deadline comes first before the others.
        def due(moves = @ports.moves.open)
          items = moves.flat_map { |m| m.state.active.filter_map { |s| item(m, s) } }
          places = items.group_by(&:first).map { |id, pairs| place(id, pairs.map(&:last)) }
          places.sort_by { |p| [p.items.filter_map(&:ends).min || FAR, p.title] }
        end

        # Returns [Coming], the soonest first.
        def coming(moves = @ports.moves.open)
          ahead =
            moves.select do |m|
              m.state.ending.nil? && m.state.with_trait(:approval)&.phase == "ahead"
            end
          ahead
            .reject { |m| m.state.with_trait(:approval).step.by_time? }
            .map { |m| to_come(m) }
            .sort_by(&:expected)
        end

        # Approves several in one go. ids: of moves. Returns {id => sentence} of those that could
        # not be approved.
        def approve(ids, by:)
          orders = MoveCommands.new(@ports)
          ids.each_with_object({}) do |id, problems|
            orders.approve(id, by: by)
          rescue Refused => e
            problems[id] = e.message
          end
        end

        private

        FAR = Time.at(2**40).utc
        private_constant :FAR

        def item(move, step_state)
          step = step_state.step
          return unless step.trait?(:approval) || step.trait?(:confirms)
          return if step_state.early? || (step.by_time? && !step.trait?(:approval))

          words = Common::MoveWords.values(move.plan, @ports.accounts)
          ends = step.trait?(:approval) ? move.state.deadline : nil
          silence = silence(move, step)
          [
            step.place == "gaining" ? move.to_account : move.from_account,
            Item.new(
              move_id: move.id,
              name: move.name,
              step: step.id,
              how: step.way || "connection",
              ends: ends,
              says: Words.say(:"steps.#{step.id}.title", **words),
              silence: silence,
              saves: saves(ends, silence),
              assumed: move.state.told("deadline")&.data&.key?("assumed") == true,
              approved: step.trait?(:approval) && move.state.approved?,
              able: able?(move, step)
            )
          ]
        end

        def able?(move, step)
          step.trait?(:approval) && !step.by_hand? && !step.by_time? && !move.state.approved?
        end

        def silence(move, step)
          return "nothing" unless step.trait?(:approval)

          move.plan.lapses? ? "lapses" : "approves"
        end

        def saves(ends, silence)
          return unless ends && silence == "approves"

          [(ends - @ports.now - AFTER).round, 0].max
        end

        def place(id, items)
          account = @ports.accounts.find(id)
          Place.new(
            id: id,
            title: account&.title || id,
            site: account&.habits&.fetch("site", nil),
            items: items.sort_by { |i| [i.ends || FAR, i.name] }
          )
        end

        def to_come(move)
          blocks = Core::Forecast::Schedule.draft(move.state, at: @ports.now)
          release = blocks.find { |b| b.id == move.plan.with_trait(:approval).id }
          Coming.new(
            move_id: move.id,
            name: move.name,
            wished: move.state.wished?,
            expected: release.starts[1],
            from: Common::MoveWords.values(move.plan, @ports.accounts)[:from]
          )
        end
      end
    end
  end
end
