# frozen_string_literal: true

module SteadyMove
  module Core
    module Forecast
      # How long something may take, as a mixture of what was seen, of an estimate, and of its
      # longest (a silence). What was seen is drawn from as it was, never fitted by its extremes, so
      # that two humps stay two.
      class Duration
        # share: of all cases; seen: seconds, sorted, or nil; takes: [least, usual, most] of an
        # estimate, or nil; silent: it is what comes where nobody acts.
        Part = Struct.new(:share, :seen, :takes, :silent)

        # Points of a mixture's table, where one value of it is asked for.
        POINTS = 200

        attr_reader :parts

        # takes: [least, usual, most] seconds.
        #   Forecast::Duration.estimate([0, 1, 2]).table(4).sum.round # => 4
        def self.estimate(takes) = new([Part.new(1.0, nil, takes).freeze])

        # Of what was seen ([seconds]) and an estimate. weight: so many observations make as much of
        # it as the estimate does; the estimate fades with the square of their number, since in a
        # chain of steps the little that is left of each one's would add up.
        #   Forecast::Duration.learnt([60, 60, 60], [10, 20], weight: 2).table(4)
        #     # => [10.0, 20.0, 60.0, 60.0]
        def self.learnt(takes, seen, weight:)
          return estimate(takes) if seen.empty?

          squared = (seen.size**2).to_f
          share = squared / (squared + (weight**2))
          new(
            [Part.new(share, seen.sort.freeze, nil).freeze, Part.new(1 - share, nil, takes).freeze]
          )
        end

        # The value below which a share of a sorted list lies, between two neighbours in proportion
        # (Hazen's plotting positions; textbook).
        #   Forecast::Duration.quantile([10, 20], 0.5) # => 15.0
        def self.quantile(sorted, share)
          place = ((share * sorted.size) - 0.5).clamp(0, sorted.size - 1)
          low = sorted[place.floor]
          low + ((sorted[place.ceil] - low) * (place - place.floor))
        end

        # parts: [Part], whose shares are one together.
        def initialize(parts)
          @parts = parts.select { |part| part.share.positive? }.freeze
          freeze
        end

        # The same where nobody acts in a share of all cases: then it takes the longest.
        #   Forecast::Duration.estimate([0, 1, 9]).silent(1, 9).table(2) # => [9.0, 9.0]
        def silent(share, longest)
          kept = parts.map { |p| Part.new(p.share * (1 - share), p.seen, p.takes).freeze }
          self.class.new([*kept, Part.new(share, [longest.to_f].freeze, nil, true).freeze])
        end

        # Without what comes where nobody acts.
        def spoken
          kept = parts.reject(&:silent)
          all = kept.sum(&:share)
          return self if all.zero?

          self.class.new(kept.map { |p| Part.new(p.share / all, p.seen, p.takes).freeze })
        end

        # The same, but never longer than so many seconds.
        def within(limit)
          capped =
            parts.map do |p|
              Part.new(
                p.share,
                p.seen&.map { |s| [s, limit].min },
                p.takes&.map { |t| [t, limit].min },
                p.silent
              ).freeze
            end
          self.class.new(capped)
        end

        # So many equally likely durations, sorted: the middle of each share.
        def table(count)
          sizes = apportioned(count)
          parts.zip(sizes).flat_map { |part, size| drawn(part, size) }.sort
        end

        # The duration below which a share (0...1) of all cases lies.
        #   Forecast::Duration.estimate([0, 1, 2]).at(0.5) # => 1.0
        def at(share)
          return table(1).first.to_f if certain?

          parts.one? ? drawn_at(parts.first, share) : table(POINTS)[(share * POINTS).floor]
        end

        # The longest that it is known or thought to take.
        def longest = parts.map { |p| p.seen ? p.seen.last : p.takes.last }.max
        # Does it always take the same?
        def certain? = parts.all? { |p| p.seen.nil? && p.takes.first == p.takes.last }

        def ==(other) = other.is_a?(Duration) && parts == other.parts
        alias eql? ==
        def hash = parts.hash

        private

        # As many draws for each part as its share has, together exactly so many.
        def apportioned(count)
          done = 0.0
          given = 0
          parts.map do |part|
            done += part.share
            size = (done * count).round - given
            given += size
            size
          end
        end

        def drawn(part, size)
          Array.new(size) { |k| drawn_at(part, (k + 0.5) / size) }
        end

        def drawn_at(part, share)
          return Duration.quantile(part.seen, share) if part.seen

          Triangular.quantile(*part.takes, share)
        end
      end
    end
  end
end
