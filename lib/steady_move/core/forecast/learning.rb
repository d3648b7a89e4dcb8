# frozen_string_literal: true

module SteadyMove
  module Core
    module Forecast
      # What finished moves teach: how long a step takes, and whether anybody approves. The more was
      # seen, the more it counts; the starting value counts as so many observations (shrinkage;
      # textbook, the weight common practice).
      module Learning
        # As many observations as the starting value counts for.
        PRIOR = 4
        # Fewer than this teach nothing.
        LEAST = 2

        # How releases ended. approved: seconds that each took which a person approved; silent: how
        # many nobody answered; refused: how many were refused.
        Releases =
          Struct.new(:approved, :silent, :refused, keyword_init: true) do
            def self.none = new(approved: [], silent: 0, refused: 0)
            # Those that went through: refused ones say nothing of how soon one does.
            def count = approved.size + silent
          end

        module_function

        # prior: [least, usual, most] seconds; seen: [seconds]. Returns a Duration.
        def duration(prior, seen)
          return Duration.estimate(prior) if seen.size < LEAST

          Duration.learnt(prior, seen, weight: PRIOR)
        end

        # The share of releases that nobody answers: of this registrar, with those of everybody
        # before it, with a starting value before that. own, all: Releases; prior: 0..1.
        #   Forecast::Learning.silence(*[Forecast::Learning::Releases.none] * 2, 0.3) # => 0.3
        def silence(own, all, prior)
          [all, own].reduce(prior) do |before, seen|
            (seen.silent + (PRIOR * before)) / (seen.count + PRIOR).to_f
          end
        end

        # How long a release takes. prior: as above, its longest is that of a silence; own, all:
        # Releases; quiet: the starting value of the silent share.
        def release(prior, own, all, quiet)
          approved = own.approved.size >= LEAST ? own.approved : all.approved
          share = silence(own, all, quiet)
          duration(prior, approved).silent(share, prior.last)
        end
      end
    end
  end
end
