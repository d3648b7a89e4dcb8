# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      # What registries and registrars leave in an account's message queue (RFC 5730 §2.9.2.3). Each
      # message is written into the journal before it is acknowledged; one that was written and not
      # acknowledged is acknowledged the next time.
      class PollQueue
        EVERY = 900
        # Messages of one account at one look.
        MOST = 200

        def initialize(ports)
          @ports = Ports.of(ports)
          @due_at = {}
        end

        # Accounts whose queue is due to be looked at.
        def due
          @ports.accounts.all.select { |a| a.epp? && due?(a.id) }
        end

        def due?(id) =
          @due_at[id].nil? || @ports.now >= @due_at[id] || @ports.now < @due_at[id] - 86_400

        # Returns how many messages were new. The outside's faults only put the next look off.
        def fetch(account)
          @due_at[account.id] = @ports.now + EVERY
          count = 0
          MOST.times do
            break unless (fresh = one(account))

            count += 1 if fresh == :new
          end
          count
        rescue Wire::Error
          count
        end

        private

        # The message at the head: :new, :known, or nil where the queue is empty.
        def one(account)
          @ports
            .epp
            .with(account) do |client|
              response = client.request(Wire::Epp::Commands.poll_request(id: key))
              queue = response.queue
              next if queue.nil? || queue.id.nil? || response.code == 1300

              fresh = keep(account, queue, response.data)
              client.request(Wire::Epp::Commands.poll_acknowledge(message_id: queue.id, id: key))
              fresh ? :new : :known
            end
        end

        def key = "poll-#{@ports.random.rand(10**9)}"

        # Returns whether it was new.
        def keep(account, queue, data)
          @ports.db.transaction do
            polled = Store::Polled.new(@ports.db)
            next false if polled.known?(account.id, queue.id)

            polled.add(account.id, queue.id, at: @ports.now)
            note(account, queue, data)
            true
          end
        end

        def note(account, queue, data)
          name = data.respond_to?(:name) ? data.name.to_s.downcase : nil
          held = name && @ports.names.find(name)
          move = held && @ports.moves.open_for(name)
          @ports.journal.add(
            "registry-message",
            at: @ports.now,
            by: "desk",
            name: held && name,
            says: says(account, queue),
            data: transfer(data),
            evidence: {
              "source" => Words.say(:"sources.poll", at: account.title),
              "seen_at" => queue.at || @ports.now,
              "ref" => queue.id
            }
          )
          @ports.schedule.wake(move.id, @ports.now) if move
          UnrequestedTransfers.new(@ports).heard(name, account, data) if held
        end

        def says(account, queue)
          values = { title: account.title, text: Core::Signs.shown(queue.text.to_s[0, 1000]) }
          return Words.phrase("journal.polled", **values) unless queue.unread

          Words.phrase("journal.polled_unread", why: queue.unread, **values)
        end

        def transfer(data)
          return {} unless data.is_a?(Wire::Epp::TransferInfo)

          {
            "status" => data.status,
            "act_at" => data.act_at,
            "requested_by" => data.requested_by
          }.compact
        end
      end
    end
  end
end
