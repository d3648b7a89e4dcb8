# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      # What a move shall do, fixed when it starts. options: subset of carry, lock, code, ask, privacy, identity, contact (Symbols);
      # name_servers: those that shall hold afterwards where they are kept. ways: {act => way} of the losing account (see Ways), and
      # “proof” (letter where the desk can't send mail) and “privacy_back”; nothing: all by connection.
      # words: {name, from, to, old_host, new_host, service, keeper, contact} for the sentences; settle_seconds: estimated wait for caches;
      # code_takes: seconds [least, usual, most] that a code takes to come where it is sent.
      Plan = Struct.new(:name, :from, :to, :options, :new_host, :words, :expires_at, :expected_expiry, :years,
                        :settle_seconds, :response_days, :name_servers, :ways, :code_takes, keyword_init: true) do
        def carry? = options.include?(:carry)
        def way(act) = ways&.fetch(act, nil) || "connection"

        # Steps with this plan's own durations and ways, in order.
        def steps = Steps.for_options(options).map { |step| own(step) }

        # One step as it is in this plan.
        def own(step)
          step.dup.tap do |s|
            s.way = way(s.act) if s.act
            s.takes = takes(s)
            s.actor = "yours" if s.by_hand? && s.actor == "clock"
          end.freeze
        end

        private

        def takes(step)
          case step.id
          when "ns-settled" then [settle_seconds] * 3
          when "release" then [step.takes[0], step.takes[1], response_days * Steps::DAY]
          when "ask-code" then code_takes || hand_takes(step)
          else hand_takes(step)
          end
        end

        # A letter is answered in days; what a person did shows within the hour.
        def hand_takes(step)
          return step.takes unless step.by_hand? && step.takes == Steps::MOMENTS

          step.by_letter? ? Steps::LETTER : Steps::SHOWS
        end
      end
    end
  end
end
