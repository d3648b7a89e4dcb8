# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # What one source brought of a name. facts: [Fact]; unseen: keys that could not be asked for
      # this time, of which the source's earlier word stays; problems: sentences; transfer:
      # TransferInfo of a transfer under way, or nil; absent: the source does not know the name;
      # pause: seconds for which it wants to be left alone, or nil.
      Brought =
        Struct.new(:facts, :unseen, :problems, :transfer, :absent, :pause, keyword_init: true) do
          # Where nothing answered.
          def self.nothing(problems: [], absent: false, pause: nil)
            new(facts: [], unseen: [], problems: problems, absent: absent, pause: pause).freeze
          end

          # Was it asked in vain? To know no such name, and to ask for a pause, are answers.
          def unanswered? = facts.empty? && problems.any? && !absent && pause.nil?

          # Makes facts of one source. now: Time; ref: where it was read; values: {key => value or
          # nil}.
          def self.facts(source, ref, now, values)
            values.compact.map do |key, value|
              Core::Readiness::Fact.new(
                key: key,
                value: value,
                source: source,
                seen_at: now,
                ref: ref
              )
            end
          end
        end
    end
  end
end
