# frozen_string_literal: true

require "json"

module SteadyMove
  module Desk
    # Mails to the person whose turn it is: at once, or once a day; with what silence will do, and
    # never with a code.
    class Notices
      CHOICES = %w[at-once daily never].freeze
      EVERY = 60
      DAY = 86_400
      TOLD = "wish-told"
      # One thing that is somebody's turn. key: by which it is told once; least: the role that it
      # takes.
      Item =
        Struct.new(
          :key,
          :name,
          :says,
          :ends,
          :silence,
          :move_id,
          :starter,
          :least,
          keyword_init: true
        )

      def initialize(app)
        @app = app
        @rows = app.db[:notices]
      end

      # {choice:, hour:} of a person.
      def of(person_id)
        row = @rows.where(person_id: person_id).first
        { choice: row ? row[:choice] : "never", hour: row ? row[:hour] : 7 }
      end

      # hour: of the day in UTC, for the daily ones. Raises Refused.
      def choose(person_id, choice:, hour:)
        raise Refused.new(:invalid, :no_such_notice, known: CHOICES) unless CHOICES.include?(choice)

        @rows.insert_conflict(target: :person_id, update: { choice: choice, hour: hour }).insert(
          person_id: person_id,
          choice: choice,
          hour: hour
        )
      end

      # Is it time to look, also where the clock was set back?
      def due?
        return false if @app.sender.nil? || (@rows.exclude(choice: "never").empty? && wishes.empty?)

        @due_at.nil? || @app.now >= @due_at || @app.now < @due_at - EVERY
      end

      # Mails what is to be told. Returns how many mails went out.
      def tell
        @due_at = @app.now + EVERY
        items = items()
        wishes.each { |move| tell_wish(move) }
        @rows.exclude(choice: "never").all.count { |row| tell_one(row, items) }
      end

      private

      # Moves of which somebody wanted to be told the minute that they can be approved, and can be
      # now.
      def wishes
        @app.moves.open.select do |m|
          release = m.state.with_trait(:approval)
          m.state.wished? && release&.active? && release.step.by_hand? && !release.early? &&
            release.turn == "yours" && m.events.none? { |e| e.type == TOLD }
        end
      end

      # Whatever else that person wants to be told.
      def tell_wish(move)
        release = move.state.with_trait(:approval)
        write(move.state.wished_by, [item(move, release)])
        @app.journal.add(
          TOLD,
          at: @app.now,
          by: "desk",
          move_id: move.id,
          name: move.name,
          says: Words.phrase("journal.wish_told", to: move.state.wished_by)
        )
      rescue Wire::Error
        nil # it is tried again at the next look
      end

      def tell_one(row, items)
        person = @app.db[:people].where(id: row[:person_id]).first or return false
        mine = items.select { |i| whose?(i, person) }
        told = JSON.parse(row[:told])
        fresh =
          row[:choice] == "daily" ? daily(row, mine) : mine.reject { |i| told.include?(i.key) }
        if fresh.any?
          write(person[:email], fresh)
          @rows.where(person_id: row[:person_id]).update(sent_at: @app.now.to_i)
        end
        @rows.where(person_id: row[:person_id]).update(told: JSON.generate(mine.map(&:key)))
        fresh.any?
      rescue Wire::Error
        false # it is tried again at the next look
      end

      # Once a day, from its hour on.
      def daily(row, mine)
        hour = Time.utc(@app.now.year, @app.now.month, @app.now.day, row[:hour])
        @app.now >= hour && (row[:sent_at].nil? || row[:sent_at] < hour.to_i) ? mine : []
      end

      # Whoever started the move, where the role suffices; else all whose role does.
      def whose?(item, person)
        return false unless People.may?(person[:role], item.least)

        starter = @app.db[:people].where(email: item.starter).first
        starter && People.may?(starter[:role], item.least) ? person[:email] == item.starter : true
      end

      def items
        @app.moves.open.flat_map do |move|
          move.state.active.select { |s| s.turn == "yours" }.map { |s| item(move, s) }
        end
      end

      def item(move, step_state)
        step = step_state.step
        approval = step.trait?(:approval)
        words = MoveWords.of(move.plan, @app.accounts)
        key = "#{move.id} #{step.id} #{move.state.reopened(step.id)} #{step_state.phase}"
        Item.new(
          key: key,
          name: move.name,
          move_id: move.id,
          ends: (move.state.deadline if approval),
          says:
            Words.say("steps.#{step.id}.title", contact: Words.say("common.its_contact"), **words),
          silence: silence(move, approval),
          starter: move.events.first&.by,
          least: approval ? "approver" : "mover"
        )
      end

      def silence(move, approval)
        return Words.say("notices.silence.waits") unless approval

        Words.say("notices.silence.#{move.plan.lapses? ? "lapses" : "approves"}")
      end

      def write(to, items)
        OwnMail.send_out(
          @app,
          to: [to],
          subject: Words.say("notices.subject", count: items.size, name: items.first.name),
          text: [
            Words.say("notices.opening"),
            *items.map { |i| line(i) },
            Words.say("notices.foot")
          ].join("\n\n")
        )
      end

      def line(item)
        link = @app.address && "#{@app.address}/moves/#{item.move_id}"
        ends = item.ends && Words.say("notices.until", at: Words.moment(item.ends))
        ["#{item.name}: #{item.says}", ends, item.silence, link].compact.join("\n")
      end
    end
  end
end
