# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # Names that were taken in while nobody answered, and names under a transfer that nobody here
      # ordered, are looked up later, a few at a time, as often as the outside wants to be asked.
      class DeferredLookups
        EVERY = 300
        MOST = 20
        # A transfer that nobody ordered is looked at so often until it is over, and once more then.
        STRAY = 3600

        def initialize(ports)
          @ports = Ports.of(ports)
          @due_at = nil
          @looked = {}
        end

        # Is it time, also where the clock was set back?
        def due? = @due_at.nil? || @ports.now >= @due_at || @ports.now < @due_at - 86_400

        # Looks up names of which no outside source has said anything yet, and strays. Returns how
        # many were tried.
        def look_up
          names = stray | @ports.names.unseen(MOST)
          @due_at = @ports.now + EVERY
          names.each do |row|
            seen =
              Observe.new(@ports).name(
                Core::Names::DomainName.held(row[:name]),
                @ports.accounts.find(row[:account_id])
              )
            next unless seen.pause

            @due_at = @ports.now + [seen.pause, EVERY].max
            break
          end
          names.size
        end

        private

        def stray
          open = @ports.unrequested_transfers.concerning.map(&:name).uniq
          over, held = @looked.keys.partition { |name| !open.include?(name) }
          late = held.reject { |name| @ports.now.between?(@looked[name], @looked[name] + STRAY) }
          due = [*over, *late, *(open - held)].first(MOST)
          due.each do |name|
            over.include?(name) ? @looked.delete(name) : @looked[name] = @ports.now
          end
          due.filter_map { |name| @ports.names.find(name) }
        end
      end
    end
  end
end
