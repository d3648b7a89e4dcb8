# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # One thing learnt about a name. key: Symbol; source: account, public_record, dns, hand or
      # desk; seen_at: Time (UTC) when it was learnt; ref: where it can be looked up again.
      Fact =
        Struct.new(:key, :value, :source, :seen_at, :ref, keyword_init: true) do
          # The calendar day that a person told alone, as YYYY-MM-DD, and which end of it is
          # assumed; nil of an instant. A day that must have passed is kept as its end, one that
          # must not yet have come as its start, in UTC (rules of the job §1).
          #   Readiness::Fact.new(key: :expires_at, value: Time.utc(2027, 9), source: :hand).day.first
          #     # => "2027-09-01"
          def day
            return unless source == :hand && value.is_a?(Time) && (value.to_i % 86_400).zero?

            if key == :expires_at
              [value.strftime("%F"), "start"]
            else
              [(value - 86_400).strftime("%F"), "end"]
            end
          end
        end
    end
  end
end
