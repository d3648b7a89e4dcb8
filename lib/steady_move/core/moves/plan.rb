# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      # What a move shall do, fixed when it starts. options: subset of carry, lock, code (Symbols);
      # name_servers: those that shall hold afterwards where they are kept.
      # words: {name, from, to, old_host, new_host} for the sentences; settle_seconds: estimated wait for caches.
      Plan = Struct.new(:name, :from, :to, :options, :new_host, :words, :expires_at, :expected_expiry, :years,
                        :settle_seconds, :response_days, :name_servers, keyword_init: true) do
        def carry? = options.include?(:carry)

        # Steps with this plan's own durations, in order.
        def steps
          Steps.for_options(options).map do |step|
            step.dup.tap { |s| s.takes = takes(step) }.freeze
          end
        end

        private

        def takes(step)
          case step.id
          when "ns-settled" then [settle_seconds] * 3
          when "release" then [step.takes[0], step.takes[1], response_days * Steps::DAY]
          else step.takes
          end
        end
      end
    end
  end
end
