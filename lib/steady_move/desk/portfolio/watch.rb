# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # Looks names up again by themselves: daily, sooner where something is due, a few a minute for
      # each host that is asked. Only a look that was answered counts as one. What has changed since
      # is told in the journal.
      class Watch
        EVERY = 60
        DAY = 86_400
        SOON = 6 * 3600
        SOON_AGAIN = 900
        # So many names a pass; of one suffix, and so at one host, not more than that.
        MOST = 60
        OF_ONE = 30
        # A name that expires within so long, or of which something is pending, is looked at sooner.
        NEAR = 45 * DAY
        # Seconds after which a look that nobody answered is tried again.
        AGAIN = 3600
        STIRRING = /\Apending|Period\z/

        def initialize(ports)
          @ports = Ports.of(ports)
          @due_at = nil
          @pauses = {}
        end

        # Is it time, also where the clock was set back?
        def due? =
          @ports.watching? && (@due_at.nil? || @ports.now >= @due_at || @ports.now < @due_at - DAY)

        # Returns how many names were looked at.
        def look
          @due_at = @ports.now + EVERY
          rows =
            @ports.watches.due(
              since: @ports.now - DAY,
              soon: soon,
              sooner: @ports.now - SOON,
              tried: @ports.now - AGAIN,
              most: MOST * 4
            )
          chosen =
            rows
              .group_by { |row| row[:name].partition(".").last }
              .flat_map { |suffix, of| allowed(suffix, of) }
          chosen.first(MOST).each { |row| look_at(row) }.size
        end

        private

        def allowed(suffix, rows)
          (@pauses[suffix] || Time.at(0)) > @ports.now ? [] : rows.first(OF_ONE)
        end

        def look_at(row)
          suffix = row[:name].partition(".").last
          return if (@pauses[suffix] || Time.at(0)) > @ports.now

          account = @ports.accounts.find(row[:account_id])
          seen =
            account && Observe.new(@ports).name(Core::Names::DomainName.held(row[:name]), account)
          @pauses[suffix] = @ports.now + seen.pause if seen&.pause
          count(row[:name], seen) unless seen&.pause
        end

        def count(name, seen)
          looked = seen&.unanswered ? :tried : :looked
          @ports.watches.public_send(looked, name, at: @ports.now)
        end

        # Names where something is due, from what the list knows of them; worked out a few times an
        # hour.
        def soon
          at, names = @soon
          return names if at && @ports.now.between?(at, at + SOON_AGAIN)

          (@soon = [@ports.now, @ports.names.stirring(@ports.now, near: NEAR)]).last
        end
      end
    end
  end
end
