# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Each thing that was ordered against what is seen from outside; what somebody accepted as
        # it is counts as well.
        class CheckLanded < Act
          def call
            ports.observe.name(name, gaining)
            mend if state.mend_wanted?(step.id)
            checks = LandingChecks.new(self).all
            accepted = state.accepted(step.id)
            bad = checks.select { |c| c.wrong? && !accepted.key?(c.key) }
            return right(checks, accepted) if bad.empty?

            says = sentence(:differs, what: bad.map(&:sentence))
            problem(
              says,
              source: :everywhere,
              yours: true,
              look_at: now + 3600,
              differences: bad.map(&:key)
            )
          end

          private

          def right(checks, accepted)
            rows =
              checks.map do |c|
                c.to_row.merge(accepted.key?(c.key) ? { "accepted" => accepted[c.key] } : {})
              end
            unseen = checks.select { |c| c.ok.nil? }.map(&:what)
            says =
              (
                if unseen.empty?
                  sentence(:done, what: checks.map(&:what))
                else
                  sentence(
                    :done_but,
                    unseen: unseen,
                    what: checks.reject { |c| c.ok.nil? }.map(&:what)
                  )
                end
              )
            done(says, source: :everywhere, checks: rows, **shown(checks))
          end

          # The expiry that is shown now, whatever was planned; nothing where nobody shows it.
          def shown(checks)
            found = checks.find { |c| c.id == "expiry" }&.found
            found.is_a?(Time) ? { shown_expiry: found } : {}
          end

          # What a connection can put right is put right; the rest is done at the gaining side by
          # hand.
          def mend = LandingChecks.new(self).all.select(&:wrong?).each { |c| c.mend&.call }
        end
      end
    end
  end
end
