# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      # What a plan is made of: small values, each about one thing. Together their members are the
      # plan's own (Plan::MEMBERS).
      module PlanParts
        # The paid time. expires_at: at the start, after a year that is bought first;
        # expected_expiry: after the move; years: that it adds; max_years: the registry's maximum;
        # in_grace, grace_ends_at: is the losing side's automatic year still taken back, and until
        # when; renewed_from: the expiry before a year bought first, nil where none is; late: what a
        # person chose where it may expire on the way (renew or go).
        Term =
          Struct.new(
            :expires_at,
            :expected_expiry,
            :years,
            :max_years,
            :in_grace,
            :grace_ends_at,
            :renewed_from,
            :late,
            keyword_init: true
          )

        # price: Price, that is to be seen before paying, nil where none is known; renewal: Amount
        # of a year bought first, nil where it is not known.
        Cost = Struct.new(:price, :renewal, keyword_init: true)

        # old_host, new_host: ids of DNS hosts, nil where not known or not changed; name_servers:
        # that shall hold afterwards; old_name_servers: as they were; dns_stays: does the old host
        # outlive the registration, as it was known (yes, no or unknown; nil in plans of old);
        # lowered: TTLs during the handover (seconds), nil where they stay.
        Records =
          Struct.new(
            :old_host,
            :new_host,
            :name_servers,
            :old_name_servers,
            :dns_stays,
            :lowered,
            keyword_init: true
          )

        # Estimates in seconds. settle_seconds: for caches; ds_seconds: until no cache holds the DS;
        # lower_seconds: until the long TTLs are forgotten; code_takes: [least, usual, most] until a
        # code comes; kept_seconds: how long a name that is only made ready is kept so;
        # response_days: for the losing side's answer.
        Waits =
          Struct.new(
            :settle_seconds,
            :ds_seconds,
            :lower_seconds,
            :response_days,
            :code_takes,
            :kept_seconds,
            keyword_init: true
          )

        # Of a name that is only made ready. leaves_to: to whom it goes, in words; kept_until.
        Readiness = Struct.new(:leaves_to, :kept_until, keyword_init: true)

        # An Amount, with the promotion that it rests on.
        Price =
          Struct.new(:amount, :promotion_code, :promotion_until, keyword_init: true) do
            # row: {minor, currency, promotion_code, promotion_until} as plans keep it, or nil.
            def self.of(row)
              return row if row.nil? || row.is_a?(self)

              row = row.transform_keys(&:to_s)
              new(
                amount: Money::Amount.of(row),
                promotion_code: row["promotion_code"],
                promotion_until: row["promotion_until"]
              ).freeze
            end

            # How it is kept.
            def to_stored
              more = { "promotion_code" => promotion_code, "promotion_until" => promotion_until }
              { **amount.to_stored, **more.compact }
            end
          end

        # Part => its class.
        ALL = {
          term: Term,
          cost: Cost,
          records: Records,
          waits: Waits,
          readiness: Readiness
        }.freeze
      end
    end
  end
end
