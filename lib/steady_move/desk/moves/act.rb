# frozen_string_literal: true

require "forwardable"

module SteadyMove
  module Desk
    module Moves
      # How one step is done and proven: the class in steps/ of the same name as its declaration in
      # core/moves/steps/. `call` does it, or looks, and returns an Outcome; outside faults are
      # raised. A proof that the declaration names is a method that returns Seen: whether it shows
      # from outside what a person did.
      class Act
        extend Forwardable

        # done: is it proven; says, not_yet: sentences for the one and the other; source, ref: where
        # it was looked; data: what else it told.
        Seen = Struct.new(:done, :says, :not_yet, :source, :ref, :data, keyword_init: true)
        Commands = Wire::Epp::Commands
        LOCK = Core::Names::Statuses::LOCK

        attr_reader :job

        def_delegators :job,
                       :ports,
                       :plan,
                       :state,
                       :move,
                       :name,
                       :losing,
                       :gaining,
                       :new_host,
                       :side,
                       :old_host,
                       :step,
                       :step_state,
                       :now,
                       :sentence,
                       :intend,
                       :reopen,
                       :epp,
                       :info,
                       :public_record,
                       :done,
                       :wait,
                       :problem,
                       :ended,
                       :resumed,
                       :by_hand?,
                       :at,
                       :approve_as_wished

        # job: StepContext.
        def initialize(job)
          @job = job
        end

        # The class bound to a step's id; raises KeyError where there is none.
        def self.class_for(id)
          unit = Core::Moves::Steps.find(id)&.unit || id
          Steps.const_get(unit.split("-").map(&:capitalize).join)
        rescue NameError
          raise KeyError,
                "step “#{id}” has no act: desk/moves/steps/#{unit.tr("-", "_")}.rb is expected"
        end

        # Does a job's step, over a connection or by looking for the proof of what a person does.
        # Returns an Outcome.
        def self.call(job)
          act = class_for(job.id).new(job)
          job.by_hand? && job.step.proof ? act.by_hand : act.call
        end

        # The same where a person does it: looks for its proof.
        def by_hand = ByHand.call(self)

        private

        # A look at the public record; the block answers whether it shows it.
        def by_record
          shown = public_record
          Seen.new(
            done: yield(shown),
            says: sentence(:shown),
            not_yet: sentence(:not_shown),
            source: :record,
            ref: shown.url
          )
        end

        # When a lagging record is looked at again: once when it usually shows, then every five
        # minutes, and more seldom the longer it takes, at least every hour.
        def soon(since, usual: 900)
          waited = now - since
          now + [usual - waited, 300, [waited / 12, 3600].min].max
        end
      end
    end
  end
end
