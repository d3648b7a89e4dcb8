# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      # What a move shall do, fixed when it starts: it goes on as it was planned, whatever later
      # versions bring. Ids only, no titles.
      # from, to: accounts; old_host, new_host: DNS hosts, nil where not known or not changed;
      # options: subset of carry, signed, old_set, lock, code, ask, privacy, identity, contact
      # (Symbols); ways: {act => way} of the losing account (Channels), with “proof”, “privacy_back” and
      # “silence” (lapses where nobody's answer ends the transfer); aims: what shall hold afterwards
      # (TargetSettings#to_plan); price: {minor, currency, promotion_code, promotion_until} that is to be seen
      # before paying, nil where none is known.
      # renewed_from: the expiry before the year that is bought first at the losing side, nil where
      # none is; expires_at is then the one after it; renewal: {minor, currency} of that year, nil
      # where it is not known; late: what a person chose where it may expire on the way (renew or
      # go).
      # dns_stays: does the DNS host outlive the registration, as it was known (yes, no or unknown;
      # nil in plans of old). leaves_to: to whom the name goes that only is made ready, in words;
      # kept_until: until when it is kept ready. steps, endings: [Step] resolved; old_name_servers:
      # as they were; ds_seconds: estimated wait until no cache holds the DS; lowered: TTLs during
      # the handover (seconds), nil where they stay; lower_seconds: estimated wait until the long
      # ones are forgotten; years, max_years, in_grace, grace_ends_at: for the expiry; name_servers:
      # that shall hold afterwards; settle_seconds: estimated wait for caches; code_takes: seconds
      # [least, usual, most] until a code comes.
      Plan =
        Struct.new(
          :name,
          :from,
          :to,
          :options,
          :ways,
          :old_host,
          :new_host,
          :expires_at,
          :expected_expiry,
          :years,
          :max_years,
          :in_grace,
          :grace_ends_at,
          :settle_seconds,
          :ds_seconds,
          :response_days,
          :name_servers,
          :renewed_from,
          :renewal,
          :late,
          :dns_stays,
          :old_name_servers,
          :lowered,
          :lower_seconds,
          :code_takes,
          :aims,
          :price,
          :leaves_to,
          :kept_until,
          :kept_seconds,
          :steps,
          :endings,
          keyword_init: true
        ) do
          # Members but steps → a Plan with its steps resolved as they are declared now.
          def self.of(**members)
            plan = new(**members)
            plan.ways ||= {}
            plan.steps, plan.endings = Steps.resolve(plan.options, plan.ways, plan.estimates)
            plan.freeze
          end

          # What shall hold afterwards; plans of old say it by their options.
          def wanted =
            TargetSettings.of(aims || { "lock" => options.include?(:lock) ? "on" : "off" })
          # Is the name only made ready, with no destination?
          def prepare? = options.include?(:prepare)
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

          def inspect = "#<Plan #{name} #{from} → #{to}>"

          # How this version writes it down.
          def to_stored
            members = to_h.except(:steps, :endings)
            {
              version: Plans::CURRENT,
              **members,
              steps: steps.map(&:to_plan),
              endings: endings.map(&:to_plan)
            }
          end
        end
    end
  end
end
