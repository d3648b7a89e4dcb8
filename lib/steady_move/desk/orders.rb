# frozen_string_literal: true

module SteadyMove
  module Desk
    # What a person says about a move under way: approve the release, look now, call it off.
    class Orders
      # It can't be done in the state the move is in; says why.
      class NotNow < StandardError; end

      # Seconds of real time between two looks that a person may ask for.
      FAIR = 10

      def initialize(app, monotonic: -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) })
        @app = app
        @monotonic = monotonic
        @asked = {}
      end

      # Records the approval; the runner sends it to the losing registrar. Raises NotNow.
      def approve(id, by:)
        move = find(id)
        raise NotNow, "The release is approved already." if move.state.approved?
        raise NotNow, "The release is approved by hand at #{move.plan.words[:from]}; say so when it is done." if move.state["release"].step.by_hand?
        raise NotNow, "There is no release to approve now: the move stands at “#{move.state.stage}”." unless move.state["release"].active?

        say(move, "approved", "#{by} approved the release of #{move.name} at #{move.plan.words[:from]}.", by, step: "release")
        @app.moves.due_now(id, at: @app.now)
      end

      # Makes every waiting step of the move due. Raises NotNow when asked too often.
      def look_now(id, **)
        move = find(id)
        last = @asked[id]
        raise NotNow, "It was looked at just now; a fair pause is #{FAIR} seconds." if last && @monotonic.call - last < FAIR

        @asked[id] = @monotonic.call
        @app.moves.due_now(move.id, at: @app.now)
      end

      # Ends the move before it lands; the runner makes the name safe again. Raises NotNow.
      def call_off(id, by:)
        move = find(id)
        raise NotNow, "#{move.name} has been released already; it can't be called off any more." if move.state.done?("release")

        say(move, "called-off", "#{by} called the move of #{move.name} off.", by)
      end

      private

      def find(id)
        move = @app.moves.find(id) or raise NotNow, "There is no move number #{id}."
        raise NotNow, "The move of #{move.name} has ended: #{move.state.stage}." if move.state.ending

        move
      end

      def say(move, type, says, by, step: nil)
        @app.journal.add(type, at: @app.now, says: says, by: by, move_id: move.id, name: move.name, step: step)
      end
    end
  end
end
