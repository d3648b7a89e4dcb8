# frozen_string_literal: true

module SteadyMove
  module Desk
    module Planning
      # A name that may expire before its move is through: a person renews it first, or goes all the
      # same, by name. What follows for the plan.
      class Lateness
        RULE = Common::Refusals::LATE
        CHOICES = %w[renew go].freeze

        # judged: Portfolio::Judging::Judged; chosen: of CHOICES or nil; price: Amount of a year at
        # the losing side, or nil. Raises Refused.
        def initialize(judged, chosen, price)
          unless chosen.nil? || CHOICES.include?(chosen)
            raise Refused.new(:invalid, :no_such_choice, given: chosen)
          end

          @judged = judged
          @asks = judged.verdict.findings.any? { |f| f.rule == RULE }
          @chosen = chosen if @asks || (chosen == "renew" && !expires.nil?)
          @price = price
        end

        # Has a person to choose?
        def asks? = @asks
        attr_reader :chosen

        def renews? = chosen == "renew"
        def options = renews? ? [:renew] : []
        # What the year costs that is bought first; nil where none is, or nobody knows.
        def renewal = renews? ? @price : nil
        # As a plan keeps it.
        def renewed_from = renews? ? expires : nil
        # The expiry that the move starts from: a year bought before the expiry stays (RFC 3915
        # §3.1: only the registry's own year is taken back).
        def expires_at = renews? ? Core::Expiry.add_years(expires, 1) : expires

        # Why it can't start as it is: a Phrase, or nil.
        def refusal(words)
          return if !@asks || chosen

          price = @price ? Words.phrase("plan.for_price", price: @price.to_s) : ""
          Words.phrase("plan.refused.too_late", **words, expires: expires, price: price)
        end

        # What is to be known of the choice: [Caution].
        def told
          return [] unless @asks && chosen == "go"

          [
            Caution.new(
              "late-go",
              Words.say(
                :"plan.late_go",
                name: @judged.name.ascii,
                expires: expires,
                from: @judged.account.title
              )
            )
          ]
        end

        private

        def expires = @judged.facts[:expires_at]
      end
    end
  end
end
