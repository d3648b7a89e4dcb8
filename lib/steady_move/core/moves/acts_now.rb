# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      # What a person may do with a move as it stands, whatever their role: one condition an act.
      #
      #   Moves::ActsNow.new(state, open: true).ids # e.g. [:look, :call_off]
      class ActsNow
        IDS = %i[
          look
          approve
          wish
          unwish
          consent
          renew_code
          mend
          call_off
          hand_over
          say_over
          refuse
          leave
          say_whose
          move_back
        ].freeze

        # state: State; open: is the move open?
        def initialize(state, open:)
          @state = state
          @open = open
        end

        # [Symbol] of IDS.
        def ids = IDS.select { |id| send(:"#{id}?") }

        # Does it wait for a person to approve it at the desk?
        def approve?
          !ended? && !release.nil? && release.active? && !release.early? && !@state.approved? &&
            !release.step.by_hand? && !release.step.by_time?
        end

        # Steps that may be left undone for a reason.
        def left
          @state.active.select { |s| s.step.trait?(:waivable) && s.phase == "stuck" }
        end

        # The registrar that the record names after a move, where nobody knows whose it is; or nil.
        def whose
          landing = @state.with_trait(:lands)
          landing.event&.data&.fetch("registrar", nil) if landing&.active? && !ended?
        end

        private

        def ended? = !@state.ending.nil?
        def release = @state.with_trait(:approval)
        def order = @state.with_trait(:orders)

        def look? = @open && !@state.current.nil?
        def unwish? = !@state.wished_by.nil? && !@state.approved?
        def consent? = @open && @state.current&.step&.trait?(:consent) == true
        def mend? = !ended? && @state.with_trait(:settles)&.phase == "stuck"
        def call_off? = @open && !ended? && !@state.landed?
        def leave? = left.any?
        def say_whose? = !whose.nil?
        def move_back? = @state.ending == "settled" || (@state.landed? && !@open)

        # Can the wish to approve be kept until it is asked for?
        def wish?
          return false if release.nil? || ended? || @state.wished? || release.step.by_time?

          release.phase == "ahead" || release.early?
        end

        def renew_code?
          !ended? && !@state.plan.with_trait(:code).nil? && !order&.done?
        end

        def hand_over?
          step = @state.with_trait(:hands_over)
          !step.nil? && step.active? && @state.begun_at(step.step.id).nil?
        end

        # Is a person asked how a transfer ended?
        def say_over?
          !ended? && !@state.landed? && @state.active.any? { |s| s.event&.data&.key?("which_end") }
        end

        # From the order on the gaining side may refuse at any moment, until the name has landed.
        def refuse?
          return false if order.nil? || !order.step.by_hand? || ended? || @state.landed?

          order.step.trait?(:refusable) && (order.done? || !@state.begun_at(order.step.id).nil?)
        end
      end
    end
  end
end
