# frozen_string_literal: true

module SteadyMove
  module Desk
    module Closing
      # What is left at the old account once a name has gone: a list to cancel, each settled by a
      # person, with what is known of it from outside.
      class LeftBehind
        # key: of KEYS, with what it is about; says: what to do there; done: by whom and when, nil
        # while it is open; reason: why it stays.
        Item =
          Struct.new(:key, :says, :state, :reason, :by, :at, keyword_init: true) do
            def open? = state == "open"
          end
        # What is left at one account of several moves: kinds: [[key, title, [Move]]]; list: all of
        # it as text, to take along; mailto: an email about it to its support (RFC 6068), nil where
        # no address of it is known.
        Place = Struct.new(:id, :title, :site, :kinds, :list, :mailto, keyword_init: true)
        # So many of the moves that ended last are looked at.
        LATELY = 500
        KEYS = %w[auto_renew privacy zone forwarding contacts subscriptions].freeze
        STATES = %w[open cancelled none kept].freeze

        def initialize(ports)
          @ports = Ports.of(ports)
          @rows = Store::Leavings.new(@ports.db)
        end

        # Returns [Item] of a move that has landed, or of records that have moved; [] before.
        def items(move)
          return [] unless gone?(move)

          settled = @rows.for_move(move.id)
          words = Common::MoveWords.values(move.plan, @ports.accounts)
          due(move).map { |key, detail| item(key, detail, settled[key], words) }
        end

        # What is still left of all moves, by the account where it is: [Place].
        def places
          open =
            @ports
              .moves
              .ended(LATELY)
              .flat_map { |m| items(m).select(&:open?).map { |i| [m, i.key] } }
          open
            .group_by { |m, _| m.from_account }
            .map { |id, list| place(id, list) }
            .sort_by(&:title)
        end

        # How many things are left of one move.
        def count(move) = items(move).count(&:open?)

        # The same for several moves at once, all or none. Raises Refused.
        def settle_all(ids, key, state:, by:, reason: nil)
          @ports.db.transaction do
            ids.each { |id| settle(id, key, state: state, by: by, reason: reason) }
          end
        end

        # state: of STATES; a reason where it stays. Raises Refused.
        def settle(move_id, key, state:, by:, reason: nil)
          move = @ports.moves.find(move_id) or raise Refused.new(:unknown, :no_move, id: move_id)
          item = items(move).find { |i| i.key == key } or
            raise Refused.new(:unknown, :nothing_left_so, given: key)
          raise Refused.new(:invalid, :no_such_state, known: STATES) unless STATES.include?(state)
          raise Refused.new(:invalid, :say_why_kept) if state == "kept" && reason.to_s.strip.empty?

          row = { state: state, reason: reason.to_s.strip, by: by, at: @ports.now.to_i }
          @rows.settle(move_id, key, row)
          @ports.journal.add(
            "left-behind",
            at: @ports.now,
            by: by,
            move_id: move.id,
            name: move.name,
            says:
              Words.phrase(
                "journal.left_#{state}",
                by: by,
                what: item.says,
                reason: reason.to_s.strip
              )
          )
        end

        private

        def place(id, list)
          account = @ports.accounts.find(id)
          by_key = list.group_by(&:last).sort_by { |key, _| KEYS.index(key) }
          kinds =
            by_key.map do |key, pairs|
              [key, Words.say(:"left_behind.kinds.#{key}"), pairs.map(&:first)]
            end
          habits = account&.habits.to_h
          list = list_of(kinds)
          Place.new(
            id: id,
            title: account&.title || id,
            site: habits["site"],
            kinds: kinds,
            list: list,
            mailto: (letter(habits["support"], list, kinds) if habits["support"])
          )
        end

        def list_of(kinds)
          kinds
            .map { |_, title, moves| "#{title}:\n#{moves.map { |m| "  #{m.name}\n" }.join}" }
            .join("\n")
        end

        def letter(support, list, kinds)
          names = kinds.flat_map { |_, _, moves| moves.map(&:name) }.uniq
          Core::Letters::Draft.new(
            to: support,
            subject: Words.say(:"left_behind.letter.subject", count: names.size),
            text: Words.say(:"left_behind.letter.text", list: list)
          ).mailto
        end

        def gone?(move) = move.plan.dns_only? ? move.state.ending == "settled" : move.state.landed?

        # [[key, detail]] of what there may be: the zone where the old host is the account's own,
        # what is tied to it.
        def due(move)
          plan = move.plan
          return [["zone", plan.old_host]] if plan.dns_only?

          tied = @ports.zone_migrations.tied(move.name).reject { |t| t.state == "none" }.map(&:kind)
          [
            ["auto_renew", nil],
            (["privacy", nil] if privacy?(plan)),
            (["zone", plan.old_host] if plan.carry?),
            (["forwarding", tied.uniq] if tied.any?),
            ["contacts", nil],
            ["subscriptions", nil]
          ].compact
        end

        def privacy?(plan)
          account = @ports.accounts.find(plan.from)
          plan.options.include?(:privacy) || !account&.habits&.fetch("privacy", nil).nil?
        end

        def item(key, detail, row, words)
          says =
            Words.say(
              :"left_behind.#{key}",
              **words,
              detail: detail.is_a?(Array) ? detail.join(", ") : detail.to_s
            )
          Item.new(
            key: key,
            says: says,
            state: row ? row[:state] : "open",
            reason: row && row[:reason],
            by: row && row[:by],
            at: row && Store::Values.time(row[:at])
          )
        end
      end
    end
  end
end
