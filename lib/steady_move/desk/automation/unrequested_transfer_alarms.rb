# frozen_string_literal: true

module SteadyMove
  module Desk
    module Automation
      # The alarm of a transfer that nobody ordered, by email to everybody who may refuse it,
      # whatever their notices say: at once, at half time, and an hour before it goes ahead.
      class UnrequestedTransferAlarms
        EVERY = 60
        BEFORE = 3600
        ROLE = "approver"

        def initialize(ports)
          @ports = Ports.of(ports)
          @strays = Moves::UnrequestedTransfers.new(@ports)
        end

        # Is there a warning to be sent, also where the clock was set back?
        def due?
          return false if @ports.sender.nil?
          return false unless @due_at.nil? || @ports.now >= @due_at || @ports.now < @due_at - EVERY

          @ports.unrequested_transfers.open.any? { |s| fresh(s).any? }
        end

        # Sends what is due. Returns how many alarms went out.
        def tell
          @due_at = @ports.now + EVERY
          @ports.unrequested_transfers.open.count do |stray|
            (stages = fresh(stray)).any? && warn_of(stray, stages)
          end
        end

        private

        # Warnings whose instant has come and that did not go out.
        def fresh(stray)
          ends = @strays.deadline_of(stray)
          half = stray.seen_at + ((ends - stray.seen_at) / 2)
          due = { "at-once" => stray.seen_at, "half-time" => half, "last-hour" => ends - BEFORE }
          due.select { |stage, at| @ports.now >= at && !stray.told.include?(stage) }.keys
        end

        def warn_of(stray, stages)
          to = People::Directory.all_who_may(@ports, ROLE)
          return false if to.empty?

          send_out(stray, to)
          @ports.unrequested_transfers.change(stray.id, told: stray.told | stages)
          write(stray, "stray_warned", to: to.join(", "))
          true
        rescue Wire::Error => e
          write(stray, "stray_unwarned", says: e.says) unless said?(stray, e.says)
          false
        end

        def send_out(stray, to)
          values = {
            name: stray.name,
            at: @ports.accounts.find(stray.account_id)&.title,
            because: stray.because,
            until: Words.moment(@strays.deadline_of(stray)),
            assumed: stray.deadline ? "" : Words.say(:"strays.warning.assumed")
          }
          text = Words.say(:"strays.warning.text", **values)
          again = stray.told.empty? ? nil : Words.say(:"strays.warning.again")
          Common::OwnMail.send_out(
            @ports,
            to: to,
            subject: Words.say(:"strays.warning.subject", name: stray.name),
            text: [again, text, @ports.address].compact.join("\n\n")
          )
        end

        # The same trouble is written down once.
        def said?(stray, says)
          last = @ports.journal.page(name: stray.name, type: "stray", limit: 1).first
          !last.nil? && last.phrase.to_h.dig(:values, :says) == says
        end

        def write(stray, key, **values)
          @ports.journal.add(
            "stray",
            at: @ports.now,
            by: "desk",
            name: stray.name,
            says: Words.phrase("journal.#{key}", **values)
          )
        end
      end
    end
  end
end
