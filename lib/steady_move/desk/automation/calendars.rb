# frozen_string_literal: true

require "digest"
require "securerandom"

module SteadyMove
  module Desk
    module Automation
      # Deadlines, forecasts and expiries as a calendar feed for each person, under a secret address
      # that can be renewed. Never with a code in it.
      class Calendars
        Event = Wire::Calendar::Feed::Event
        # Expiries so far ahead are in it (seconds).
        AHEAD = 400 * 86_400
        DAY = 86_400

        def initialize(ports)
          @ports = Ports.of(ports)
          @rows = Store::SecretAddresses.new(@ports.db, :calendars, :person_id)
        end

        # A new address for a person; the one before holds no longer. Returns its secret part, which
        # is shown once.
        def renew(person_id, by:)
          token = SecureRandom.urlsafe_base64(32)
          @rows.renew({ person_id: person_id }, digest(token), at: @ports.now)
          note("calendar_made", by)
          token
        end

        # Ends it.
        def finish(person_id, by:)
          @rows.finish(person_id: person_id)
          note("calendar_ended", by)
        end

        # When a person's address was made; nil where there is none.
        def made_at(person_id) = @rows.made_at(person_id: person_id)

        # The feed under a secret address, or nil where there is none such. mine: only what is a
        # person's turn; client: only of the names that are held for that one.
        def feed(token, mine: false, client: nil, address: nil)
          return if @rows.find(digest(token)).nil?

          @address = address
          @client = client
          events =
            (
              if mine
                turns.select { |_, yours| yours }.map(&:first)
              else
                turns.map(&:first) + forecasts + expiries
              end
            )
          events.each { |e| e.text = Words.plain(e.text) }
          Wire::Calendar::Feed.write(events, name: Words.say(:"calendar.name"), at: @ports.now)
        end

        private

        def note(key, by)
          says = Words.phrase("journal.#{key}", by: by)
          @ports.journal.add("people", at: @ports.now, by: by, says: says)
        end

        def digest(token) = Digest::SHA256.hexdigest(token.to_s)
        def open = @open ||= @ports.moves.open.select { |move| meant?(move.name) }

        def meant?(name)
          @client.nil? || (@clients ||= @ports.names.clients)[name] == @client
        end

        def link(path) = @address && "#{@address}#{path}"

        # [Event, is it a person's turn] of every open move with a deadline.
        def turns
          open.filter_map do |move|
            current = move.state.current or next
            ends = deadline(move, current) or next
            [turn(move, current, ends), current.turn == "yours"]
          end
        end

        def deadline(move, current)
          return move.state.deadline if current.step.trait?(:approval) && move.state.deadline
          return current.since && (current.since + DAY) if current.turn == "yours"

          current.since && (current.since + current.step.takes.last)
        end

        def turn(move, current, ends)
          title =
            Words.say(
              :"steps.#{current.step.id}.title",
              **Common::MoveWords.values(move.plan, @ports.accounts)
            )
          key = current.turn == "yours" ? "yours" : "others"
          Event.new(
            id: "move-#{move.id}-#{current.step.id}",
            title: Words.say(:"calendar.#{key}", title: title, name: move.name),
            text: current.says && Words.text(current.event.phrase || current.says),
            starts: ends,
            url: link("/moves/#{move.id}"),
            alarm: current.turn == "yours" ? DAY : nil
          )
        end

        # By when each move is done with nine in ten.
        def forecasts
          open.map do |move|
            range = @ports.forecasts.for_move(move).spread
            Event.new(
              id: "forecast-#{move.id}",
              title: Words.say(:"calendar.forecast", name: move.name),
              text: Words.say(:"calendar.forecast_text", early: range.p10, likely: range.p50),
              starts: range.p90,
              url: link("/moves/#{move.id}")
            )
          end
        end

        def expiries
          @ports.names.all.filter_map do |row|
            next unless meant?(row[:name])

            at = @ports.names.facts(row[:name])[:expires_at]
            next unless at&.between?(@ports.now - DAY, @ports.now + AHEAD)

            Event.new(
              id: "expiry-#{row[:name]}-#{at.to_i}",
              title: Words.say(:"calendar.expiry", name: row[:name]),
              starts: at,
              url: link("/names/#{row[:name]}"),
              alarm: 45 * DAY
            )
          end
        end
      end
    end
  end
end
