# frozen_string_literal: true

require "json"

module SteadyMove
  module Desk
    module Automation
      # Mails to the person whose turn it is: at once, or once a day; with what silence will do, and
      # never with a code.
      class Notices
        CHOICES = %w[at-once daily never].freeze
        EVERY = 60
        DAY = 86_400
        TOLD = "wish-told"
        # One thing that is somebody's turn. key: by which it is told once; path: of its page;
        # least: the role that it takes; not_by: who may not do it, or nil.
        Item =
          Struct.new(
            :key,
            :name,
            :says,
            :ends,
            :silence,
            :path,
            :keeper,
            :least,
            :not_by,
            keyword_init: true
          )

        def initialize(ports)
          @ports = Ports.of(ports)
          @rows = Store::Notices.new(@ports.db)
          @people = Store::People.new(@ports.db)
        end

        # {choice:, hour:} of a person.
        def for_person(person_id)
          row = @rows.for_person(person_id)
          { choice: row ? row[:choice] : "never", hour: row ? row[:hour] : 7 }
        end

        # hour: of the day in UTC, for the daily ones. Raises Refused.
        def choose(person_id, choice:, hour:, by:)
          unless CHOICES.include?(choice)
            raise Refused.new(:invalid, :no_such_notice, known: CHOICES)
          end

          @rows.choose(person_id, choice, hour)
          says = Words.phrase("journal.notices_#{choice.tr("-", "_")}", by: by, hour: hour)
          @ports.journal.add("people", at: @ports.now, by: by, says: says)
        end

        # Is it time to look, also where the clock was set back?
        def due?
          return false if @ports.sender.nil? || (@rows.wanted.empty? && wishes.empty?)

          @due_at.nil? || @ports.now >= @due_at || @ports.now < @due_at - EVERY
        end

        # Mails what is to be told. Returns how many mails went out.
        def tell
          @due_at = @ports.now + EVERY
          items = items()
          wishes.each { |move| tell_wish(move) }
          @rows.wanted.count { |row| tell_one(row, items) }
        end

        private

        # Moves of which somebody wanted to be told the minute that they can be approved, and can be
        # now.
        def wishes
          @ports.moves.open.select do |m|
            release = m.state.with_trait(:approval)
            m.state.wished? && release&.active? && release.step.by_hand? && !release.early? &&
              release.turn == "yours" && m.events.none? { |e| e.type == TOLD }
          end
        end

        # Whatever else that person wants to be told.
        def tell_wish(move)
          release = move.state.with_trait(:approval)
          write(move.state.wished_by, [item(move, release)])
          @ports.journal.add(
            TOLD,
            at: @ports.now,
            by: "desk",
            move_id: move.id,
            name: move.name,
            says: Words.phrase("journal.wish_told", to: move.state.wished_by)
          )
        rescue Wire::Error
          nil # it is tried again at the next look
        end

        def tell_one(row, items)
          person = @people.find(row[:person_id]) or return false
          mine = items.select { |i| whose?(i, person) }
          told = JSON.parse(row[:told])
          fresh =
            row[:choice] == "daily" ? daily(row, mine) : mine.reject { |i| told.include?(i.key) }
          if fresh.any?
            write(person[:email], fresh)
            @rows.sent(row[:person_id], at: @ports.now)
          end
          @rows.told(row[:person_id], mine.map(&:key))
          fresh.any?
        rescue Wire::Error
          false # it is tried again at the next look
        end

        # Once a day, from its hour on.
        def daily(row, mine)
          hour = Time.utc(@ports.now.year, @ports.now.month, @ports.now.day, row[:hour])
          @ports.now >= hour && (row[:sent_at].nil? || row[:sent_at] < hour.to_i) ? mine : []
        end

        # Whoever looks after it now, where the role suffices; else all whose role does.
        def whose?(item, person)
          return false unless able?(person, item)

          keeper = @people.by_email(item.keeper)
          return true unless keeper && able?(keeper, item)

          person[:email] == item.keeper
        end

        def able?(person, item)
          person[:email] != item.not_by && People::Directory.may?(person[:role], item.least)
        end

        def items
          of_moves =
            @ports.moves.open.flat_map do |move|
              move.state.active.select { |s| s.turn == "yours" }.map { |s| item(move, s) }
            end
          of_moves + Batches::Waiting.new(@ports).list.map { |w| of_batch(w) }
        end

        def of_batch(waiting)
          batch = waiting.batch
          Item.new(
            key: "batch #{batch.id} #{waiting.kind} #{waiting.names.size}",
            name: batch.title,
            path: "/batches/#{batch.id}",
            says: waiting.says,
            silence: Words.say(:"notices.silence.batch"),
            keeper: waiting.by,
            least: waiting.least,
            not_by: waiting.not_by
          )
        end

        def item(move, step_state)
          step = step_state.step
          approval = step.trait?(:approval)
          words = Common::MoveWords.values(move.plan, @ports.accounts)
          key = "#{move.id} #{step.id} #{move.state.reopened(step.id)} #{step_state.phase}"
          Item.new(
            key: key,
            name: move.name,
            path: "/moves/#{move.id}",
            ends: (move.state.deadline if approval),
            says:
              Words.say(
                :"steps.#{step.id}.title",
                contact: Words.say(:"common.its_contact"),
                **words
              ),
            silence: silence(move, approval),
            keeper: Moves::Assignment.current(move),
            least: approval ? "approver" : "mover"
          )
        end

        def silence(move, approval)
          return Words.say(:"notices.silence.waits") unless approval

          Words.say(:"notices.silence.#{move.plan.lapses? ? "lapses" : "approves"}")
        end

        def write(to, items)
          Common::OwnMail.send_out(
            @ports,
            to: [to],
            subject: Words.say(:"notices.subject", count: items.size, name: items.first.name),
            text: [
              Words.say(:"notices.opening"),
              *items.map { |i| line(i) },
              Words.say(:"notices.foot")
            ].join("\n\n")
          )
        end

        def line(item)
          link = @ports.address && "#{@ports.address}#{item.path}"
          ends = item.ends && Words.say(:"notices.until", at: Words.moment(item.ends))
          ["#{item.name}: #{item.says}", ends, item.silence, link].compact.join("\n")
        end
      end
    end
  end
end
