# frozen_string_literal: true

module SteadyMove
  module Core
    # Names that move together.
    module Batches
      # In which order the names of a batch start, so that the site is spared: one on trial first,
      # the rest when it has landed; at most so many a day at each losing registrar; nothing under
      # way in a black-out span; of names that hang together never all at once. Common practice, no
      # source.
      module Waves
        DAY = 86_400
        # registrar: id of the losing account; groups: what it hangs together with others by; risk:
        # the lower, the sooner; takes: [P10, P50, P90] seconds; started_at, landed: of what has
        # begun, landed_at: when it landed or ended; latest: the last instant at which it may start
        # without expiring on the way, or nil.
        Member =
          Struct.new(
            :name,
            :registrar,
            :groups,
            :risk,
            :takes,
            :started_at,
            :landed_at,
            :latest,
            keyword_init: true
          )
        # per_day: nil for no limit; blackouts: [[Time, Time)].
        Rules = Struct.new(:trial, :per_day, :blackouts, keyword_init: true)
        # names: that start together; starts_at: Time; ends: [P10, P50, P90] by which all of them
        # are done; why: of WHY. late: those of them that would start after their latest instant.
        Wave = Struct.new(:number, :names, :starts_at, :ends, :why, :late, keyword_init: true)
        WHY = %i[first after limit blackout together trial expiry].freeze
        # A name whose latest start lies no further ahead goes before the others, and waits for no
        # trial that lasts longer (common practice: within 45 days of the expiry).
        NEAR = 45 * DAY
        # So often a later place is looked for.
        HORIZON = 3660
        # What is late is looked at again after so many seconds.
        AWHILE = 3600

        module_function

        # members: [Member]; rules: Rules; at: now. Returns [Wave] of those that have not begun, in
        # order; days are UTC.
        #   Batches::Waves.propose([], Batches::Waves::Rules.new(blackouts: []), at: Time.at(0))
        #     # => []
        def propose(members, rules, at:) = Placing.new(members, rules, at).waves

        # The first instant from `from` on at which something that lasts so many seconds meets no
        # black-out span.
        def clear_of(blackouts, from, seconds)
          met = blackouts.select { |a, b| from < b && from + seconds > a }
          met.empty? ? from : clear_of(blackouts, met.map(&:last).max, seconds)
        end

        # One proposal under way.
        class Placing
          FAR = Float::INFINITY

          def initialize(members, rules, now)
            @now = now
            @rules = rules
            @begun, @waiting = members.partition(&:started_at)
            @waiting = @waiting.sort_by { |m| [near?(m) ? m.latest.to_i : FAR, m.risk, m.name] }
            @placed = @begun.map { |m| [m, m.started_at, :first] }
            @sizes = members.flat_map(&:groups).tally
          end

          # Returns [Wave].
          def waves
            @waiting.each_with_index { |member, i| place(member, on_trial?(i)) }
            ahead = @placed.reject { |m, _, _| m.started_at }
            ahead
              .group_by { |_, at, _| at }
              .sort_by(&:first)
              .each_with_index
              .map { |(at, list), i| wave(i, at, list) }
          end

          private

          def on_trial?(index) = @rules.trial && @begun.empty? && index.zero? && @waiting.size > 1

          def place(member, trial)
            at = [@now, trial ? @now : after_trial].max
            why = @rules.trial && @placed.any? ? :after : :first
            if near?(member) && at > member.latest
              at = @now
              why = :expiry
            end
            Waves::HORIZON.times do
              later, reason = hindered(member, at)
              break unless later

              at = later
              why = reason
            end
            @placed << [member, at, trial ? :trial : why]
          end

          def near?(member) = !member.latest.nil? && member.latest < @now + Waves::NEAR

          # The first of all is on trial, and has to have landed.
          def after_trial
            return @now unless @rules.trial

            first, at, = @placed.min_by { |_, start, _| start }
            return @now if first.nil?

            over_at(first, at, first.takes[1])
          end

          # [a later instant, why], or nil where it can start at `at`.
          def hindered(member, at)
            clear = Waves.clear_of(@rules.blackouts, at, member.takes.last)
            return clear, :blackout if clear > at
            return next_day(at), :limit if full?(member, at)

            free = apart(member, at)
            [free, :together] if free > at
          end

          def full?(member, at)
            return false unless @rules.per_day

            same =
              @placed.count do |m, start, _|
                m.registrar == member.registrar && day(start) == day(at)
              end
            same >= @rules.per_day
          end

          # Of names that hang together the last ones wait until the others are done.
          def apart(member, at)
            member
              .groups
              .map do |group|
                others = @placed.select { |m, _, _| m.groups.include?(group) }
                next at if @sizes[group] < 2 || others.size < (@sizes[group] / 2.0).ceil

                # The first half is done before the second begins.
                first = others.sort_by { |_, start, _| start }.first((@sizes[group] / 2.0).ceil)
                first.map { |m, start, _| over_at(m, start, m.takes.last) }.max
              end
              .push(at)
              .max
          end

          # What has begun and is not over goes on for a while at least.
          def over_at(member, start, takes)
            return member.landed_at if member.landed_at

            member.started_at ? [start + takes, @now + AWHILE].max : start + takes
          end

          def day(time) = time.to_i.div(DAY)
          def next_day(time) = Time.at((day(time) + 1) * DAY).utc

          def wave(index, at, list)
            ends = (0..2).map { |i| at + list.map { |m, _, _| m.takes[i] }.max }
            Wave.new(
              number: index + 1,
              names: list.map { |m, _, _| m.name },
              starts_at: at,
              ends: ends,
              why: list.map(&:last).max_by { |w| WHY.index(w) },
              late: list.filter_map { |m, _, _| m.name if m.latest && at > m.latest }
            )
          end
        end
        private_constant :Placing
      end
    end
  end
end
