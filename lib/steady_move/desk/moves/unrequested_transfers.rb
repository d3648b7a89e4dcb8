# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      # Somebody asked for a held name to be transferred away, and nobody here ordered it: told at
      # once and first of all, with its deadline and how to refuse it. Each transfer is one of its
      # own; only a person's “expected” silences, and only the one that was seen.
      class UnrequestedTransfers
        PENDING = "pendingTransfer"
        # Kinds of messages that tell of a transfer under way.
        NOTICES = Core::Moves::Log::NOTICES
        # How long a public record may lag behind the registry (rules of the job §5), and how far
        # clocks may differ.
        LAG = 3600
        SLACK = 60
        DAY = 86_400
        # What one source tells of a transfer. source: record, poll or mail; shown: the registry or
        # the public record shows it; by, asked_at: who asked for it, and when, where that is told;
        # ends: its deadline or nil; written_at: of a message.
        Told =
          Struct.new(
            :source,
            :because,
            :by,
            :asked_at,
            :ends,
            :shown,
            :written_at,
            keyword_init: true
          )
        def initialize(ports)
          @ports = Ports.of(ports)
          @rows = @ports.unrequested_transfers
          @safety = UnrequestedTransferSafety.new(@ports)
        end

        # A name was looked at.
        def seen(name, account, look)
          return unless look.known?

          now_pending = pending?(name, look)
          now_pending ? note(name, account, from_look(account, look)) : not_pending(name, look)
          @safety.seen(name, look) unless now_pending
        end

        # A message of the registry's queue. data: TransferInfo or other data.
        def heard(name, account, data)
          return unless data.is_a?(Wire::Epp::TransferInfo)

          told =
            Told.new(
              source: "poll",
              by: data.requested_by,
              asked_at: data.requested_at,
              ends: data.act_at,
              shown: true,
              because: Words.say(:"strays.poll", at: account.title)
            )
          return note(name, account, told) if data.status == "pending"

          stray = @rows.running(name)
          settle(stray) if stray && same?(stray, told.tap { |t| t.ends = nil })
        end

        # A message that speaks of it; one from a doubtful sender tells nothing. One that says that
        # it is over opens no alarm, and closes none either: it makes the desk look at once.
        def written(message)
          return over_by_mail(message) if message.ended? && !message.doubtful?
          return unless NOTICES.include?(message.kind) && !message.doubtful?

          message.names.each do |name|
            account = @ports.accounts.find(@ports.names.find(name)&.fetch(:account_id)) or next
            note(
              name,
              account,
              Told.new(
                source: "mail",
                ends: message.deadline,
                written_at: message.at,
                because: Words.say(:"strays.mail", from: message.sender)
              )
            )
          end
        end

        def over_by_mail(message)
          running = message.names.select { |name| @rows.running(name) }
          running.each { |name| @ports.watches.look_soon(name) }
        end

        # Those of which something is left to be done or known, those that alarm first.
        def concerning =
          @rows.concerning.sort_by { |s| Store::UnrequestedTransfers::STATES.index(s.state) }
        def open = @rows.open
        def of_name(name) = @rows.of_name(name)

        # Sends the refusal over the account's connection (RFC 5730 §2.9.3.4), and makes the name
        # safe after it. Raises Refused.
        def refuse(name, by:)
          stray, account = find(name)
          raise Refused.new(:not_now, :refuse_by_hand, at: account.title) unless account.epp?

          write(stray, by, "stray_refusing", by: by)
          command =
            Wire::Epp::Commands.transfer(
              op: "reject",
              name: name,
              id: "stray-#{@ports.random.rand(10**9)}"
            )
          @ports.epp.with(account) { |c| c.request(command) }
          refused_by(stray, by)
          ended(stray, "refused", "stray_refused", by, by: by, at: account.title)
          @safety.secure(name, by: by)
          Portfolio::Observe.new(@ports).name(Core::Names::DomainName.held(name), account)
        rescue Wire::Error => e
          raise Refused.new(:not_now, :account_says, title: account.title, says: e.says)
        end

        # A person refused it on the registrar's own pages; it goes on alarming until that shows.
        # Raises Refused.
        def said_refused(name, by:)
          stray, account = find(name)
          refused_by(stray, by)
          write(stray, by, "stray_said_refused", by: by, at: account.title)
        end

        # A person knows of it, and says who ordered it. Raises Refused.
        def expected(name, by:, ordered_by:)
          stray, = find(name)
          who = ordered_by.to_s.strip
          raise Refused.new(:invalid, :who_ordered) if who.empty?

          @rows.change(
            stray.id,
            state: "expected",
            expected_at: @ports.now,
            expected_by: by,
            ordered_by: who[0, 120]
          )
          write(stray, by, "stray_expected", by: by, who: who[0, 120])
        end

        # It is not expected after all: it alarms again, for as long as it runs. Raises Refused.
        def unexpected(name, by:)
          stray = @rows.running(name)
          raise Refused.new(:not_now, :no_stray, name: name) unless stray&.expected?

          @rows.change(
            stray.id,
            state: "open",
            expected_at: nil,
            expected_by: nil,
            ordered_by: nil,
            told: []
          )
          write(stray, by, "stray_unexpected", by: by)
        end

        # When a transfer goes ahead by silence; reckoned from its first sight where nobody told it.
        def deadline_of(stray) = stray.deadline || assumed(stray.name, stray.seen_at)

        private

        def find(name)
          stray = @rows.running(name)
          raise Refused.new(:not_now, :no_stray, name: name) unless stray&.open?

          [stray, @ports.accounts.find(stray.account_id)]
        end

        def refused_by(stray, person)
          @rows.change(stray.id, refused_at: @ports.now, refused_by: person)
        end

        # The account speaks for the registry; a public record that still shows what has just ended
        # lags behind.
        def pending?(name, look)
          return true if look.account&.include?(PENDING)
          return false unless look.record&.include?(PENDING)

          look.account.nil? || !ended_lately?(name)
        end

        def ended_lately?(name)
          ended = @rows.of_name(name)&.ended_at
          !ended.nil? && @ports.now < ended + LAG
        end

        def from_look(account, look)
          of = look.transfer
          Told.new(
            source: "record",
            by: of&.requested_by,
            asked_at: of&.requested_at,
            ends: of&.act_at,
            shown: true,
            because:
              Words.say(look.account ? :"strays.account" : :"strays.record", at: account.title)
          )
        end

        def note(name, account, told)
          return if ordered_here?(name, told) || over_already?(name, told)

          running = @rows.running(name)
          return complete(running, told) if running && same?(running, told)

          replace(running) if running
          stray =
            @rows.add(
              name: name,
              account_id: account.id,
              source: told.source,
              because: told.because,
              requested_by: told.by,
              requested_at: told.asked_at,
              seen_at: @ports.now,
              deadline: told.ends,
              shown: told.shown == true
            )
          write(stray, "desk", "stray", because: told.because)
        end

        # Told late of one whose end was seen: the very same; a message that names its very
        # deadline, or names none and was written before that end.
        def over_already?(name, told)
          return true if @rows.ended?(name, by: told.by, asked_at: told.asked_at, within: SLACK)

          last = told.source == "mail" && @rows.last_ended(name)
          return false unless last
          return true if told.ends && last.deadline && (told.ends - last.deadline).abs <= SLACK

          told.ends.nil? && !told.written_at.nil? && told.written_at <= last.ended_at
        end

        # What is known of it is completed; the earlier deadline counts.
        def complete(stray, told)
          known = {
            requested_by: stray.requested_by || told.by,
            requested_at: stray.requested_at || told.asked_at,
            deadline: [stray.deadline, told.ends].compact.min,
            shown: stray.shown || told.shown == true
          }
          @rows.change(stray.id, **known) unless known.all? { |key, value| stray[key] == value }
        end

        # Nothing that is told speaks against its being the one that runs. Of one that a person
        # expects more is asked than of one that alarms anyway.
        def same?(stray, told)
          return false if told.by && stray.requested_by && told.by != stray.requested_by
          if told.asked_at && stray.requested_at && (told.asked_at - stray.requested_at).abs > SLACK
            return false
          end

          !stray.expected? || !later_one?(stray, told)
        end

        # Past its own end, with another deadline, or told anew by mail a day after it was expected:
        # another one.
        def later_one?(stray, told)
          return true if @ports.now > deadline_of(stray) + DAY
          return true if told.ends && stray.deadline && told.ends > stray.deadline + LAG

          told.source == "mail" && told.ends.nil? && @ports.now > stray.expected_at + DAY
        end

        def replace(stray)
          @rows.change(stray.id, state: "over", how: "replaced", ended_at: @ports.now)
          write(stray, "desk", "stray_replaced")
        end

        # Our own order: its step is done, or was begun, and nothing says that this is somebody
        # else's.
        def ordered_here?(name, told)
          state = @ports.moves.open_for(name)&.state
          return false unless state && Ordered.begun?(state)

          id = state.with_trait(:orders)&.step&.id or return true
          first = state.first_try_at(id)
          asked_by = state.told("requested_by")&.data&.fetch("requested_by", nil)
          return false if told.by && asked_by && told.by != asked_by

          told.asked_at.nil? || first.nil? || told.asked_at >= first - SLACK
        end

        # A look that shows no transfer. What only a message told of, and a source never showed, is
        # not over by that: some public records never show one (rules of the job §9).
        def not_pending(name, look)
          stray = @rows.running(name) or return
          return if stray.source == "mail" && @ports.now < stray.seen_at + LAG

          gone = @ports.names.facts(name)[:other_registrar]
          settle(stray, gone: gone) if gone || stray.shown || look.account || past?(stray)
        end

        def past?(stray) = @ports.now > deadline_of(stray) + DAY

        def settle(stray, gone: false)
          return ended(stray, "gone", "stray_gone", "desk", shown: gone) if gone
          return ended(stray, "refused", "stray_refused_shown", "desk") if stray.refused_at

          ended(stray, "withdrawn", "stray_over", "desk")
        end

        # With a transfer that was shown, somebody had the name's code. One that was expected and
        # has ended harms nobody.
        def ended(stray, how, key, who, **values)
          unsafe = stray.open? && how != "gone" && (stray.shown || stray.refused_at)
          @rows.change(stray.id, state: unsafe ? "unsafe" : "over", how: how, ended_at: @ports.now)
          write(stray, who, key, **values)
        end

        def assumed(name, from)
          family = @ports.rulebook.family_of(Core::Names::DomainName.held(name))
          from + ((family&.response_days || 5) * DAY)
        end

        def write(stray, who, key, **values)
          @ports.journal.add(
            "stray",
            at: @ports.now,
            by: who,
            name: stray.name,
            says: Words.phrase("journal.#{key}", **values)
          )
        end
      end
    end
  end
end
