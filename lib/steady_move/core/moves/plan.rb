# frozen_string_literal: true

require "forwardable"

module SteadyMove
  module Core
    module Moves
      # What a move shall do, fixed when it starts: it goes on as it was planned, whatever later
      # versions bring. Ids only, no titles.
      # from, to: accounts; options: which parts it has (Symbols, PlanOptions); ways: {act => way}
      # of the losing account (Channels), with “proof”, “privacy_back” and “silence” (lapses where
      # nobody's answer ends the transfer); aims: what shall hold afterwards
      # (TargetSettings#to_plan); term, cost, records, waits, readiness: PlanParts, whose members
      # the plan answers itself; steps, endings: [Step] resolved.
      Plan =
        Struct.new(
          :name,
          :from,
          :to,
          :options,
          :ways,
          :aims,
          *PlanParts::ALL.keys,
          :steps,
          :endings,
          keyword_init: true
        ) do
          extend Forwardable
          PlanParts::ALL.each { |part, members| def_delegators part, *members.members }

          # Members of the plan and of its parts, but steps → a Plan with its steps resolved as they
          # are declared now. Raises ArgumentError for a member that there is none of.
          def self.of(**members)
            plan = put_together(**members)
            steps, endings = Steps.resolve(plan.options, plan.ways, plan.estimates)
            new(**plan.to_h, steps: steps, endings: endings).freeze
          end

          # The same with steps as they are given.
          def self.put_together(**members)
            parts = members.keys & PlanParts::ALL.keys
            raise ArgumentError, "give the members of #{parts.join(", ")}" if parts.any?

            parts =
              PlanParts::ALL.to_h do |part, type|
                own = members.slice(*type.members)
                own[:price] = PlanParts::Price.of(own[:price]) if part == :cost
                own[:renewal] = Money::Amount.of(own[:renewal]) if part == :cost
                [part, type.new(**own).freeze]
              end
            rest = members.except(*PlanParts::ALL.values.flat_map(&:members))
            new(**rest, ways: members[:ways] || {}, **parts).freeze
          end

          # The same plan, its steps as they are, with other members.
          def with(**members)
            other = self.class.put_together(**given, **members)
            self.class.new(**other.to_h, steps: steps, endings: endings).freeze
          end

          # What shall hold afterwards; plans of old say it by their options.
          def wanted =
            TargetSettings.of(aims || { "lock" => options.include?(:lock) ? "on" : "off" })
          # Is the name only made ready, with no destination?
          def prepare? = options.include?(:prepare)
          # What it is about: move, ready (only made ready) or dns (the records alone).
          def kind = prepare? ? "ready" : (dns_only? ? "dns" : "move")
          # Which of MADE_READY it has: [String].
          def made_ready
            Plan::MADE_READY.select { |_, all| all.intersect?(options) }.keys
          end
          def carry? = options.include?(:carry)
          # Do the records move alone?
          def dns_only? = options.include?(:dns_only)
          def way(act) = ways.fetch(act, "connection")
          # Does silence end the transfer? Else it approves it.
          def lapses? = way("silence") == "lapses"
          # The resolved step with a trait, or nil.
          def with_trait(trait) = (steps + endings).find { |s| s.trait?(trait) }

          # {name => [least, usual, most] seconds}; nil within where the step's own holds.
          def estimates
            {
              "lower" => [lower_seconds || 0] * 3,
              "settle" => [settle_seconds] * 3,
              "ds" => [ds_seconds || 0] * 3,
              "response" => [nil, nil, response_days && (response_days * Steps::DAY)],
              "back" => [settle_seconds.to_i] * 3,
              "code" => code_takes,
              "kept" => kept_seconds && ([kept_seconds] * 3)
            }.compact
          end

          # What it was put together from: its own members and those of its parts, without steps.
          def given = { **to_h.slice(:name, :from, :to, :options, :ways, :aims), **flat }
          # The members of all parts.
          def flat = PlanParts::ALL.keys.map { |part| self[part].to_h }.reduce(:merge)
          def inspect = "#<Plan #{name} #{from} → #{to}>"

          # How this version writes it down.
          def to_stored
            own = to_h.except(:steps, :endings, *PlanParts::ALL.keys)
            {
              version: Plans::CURRENT,
              **own,
              **flat,
              price: price&.to_stored,
              renewal: renewal&.to_stored,
              steps: steps.map(&:to_plan),
              endings: endings.map(&:to_plan)
            }
          end
        end

      # What can be made ready at the losing side; each brings its options.
      Plan::MADE_READY = {
        "unlock" => %i[lock],
        "code" => %i[code ask],
        "privacy" => %i[privacy identity],
        "contact" => %i[contact]
      }.freeze
    end
  end
end
