# frozen_string_literal: true

module SteadyMove
  module Desk
    # Names that were taken in while nobody answered are looked up later, a few at a time, as often as the outside wants
    # to be asked.
    class PutOff
      EVERY = 300
      MOST = 20

      def initialize(app)
        @app = app
        @due_at = nil
      end

      # Is it time, also where the clock was set back?
      def due? = @due_at.nil? || @app.now >= @due_at || @app.now < @due_at - 86_400

      # Looks up names of which no outside source has said anything yet. Returns how many were tried.
      def look_up
        names = @app.names.unseen(MOST)
        @due_at = @app.now + EVERY
        names.each do |row|
          seen = Observe.new(@app).name(Core::Names::DomainName.known(row[:name], row[:unicode]),
            @app.accounts.find(row[:account_id]))
          next unless seen.pause

          @due_at = @app.now + [seen.pause, EVERY].max
          break
        end
        names.size
      end
    end
  end
end
