# frozen_string_literal: true

require "json"
require "securerandom"

module SteadyMove
  module Desk
    module Automation
      # Lines of the journal told to other programs as they are written: each posted as JSON,
      # signed, in order, and once more later where it could not be told.
      class Webhooks
        # Kinds of lines that can be told; * for all of these.
        TYPES = %w[
          planned
          done
          problem
          approved
          said
          called-off
          refused
          lapsed
          resumed
          settled
          batch
          ledger
          stray
        ].freeze
        # Told to every webhook, whatever it was made for: nobody may miss it.
        ALWAYS = "stray"
        BACK_OFF = [60, 300, 900, 3600, 14_400].freeze
        AT_ONCE = 50
        MOST = 20

        def initialize(ports)
          @ports = Ports.of(ports)
          @rows = Store::Webhooks.new(@ports.db)
        end

        # types: of TYPES. Returns [id, the secret], which is shown once. Raises Refused.
        def add(url, types:, by:)
          raise Refused.new(:invalid, :hook_url) unless Wire::Http::Hook.fit?(url)
          known!(types)
          raise Refused.new(:not_now, :too_many_hooks, most: MOST) if @rows.count >= MOST

          secret = SecureRandom.urlsafe_base64(32)
          id =
            @rows.add(
              url: url,
              types: JSON.generate(types),
              secret: @ports.safe.seal(secret),
              by: by,
              made_at: @ports.now.to_i,
              seq: @ports.journal.last_seq || 0
            )
          note("hook_made", by, url)
          [id, secret]
        end

        # What the screen shows: never the secrets.
        def all
          @rows.all.map do |r|
            {
              id: r[:id],
              url: r[:url],
              types: JSON.parse(r[:types]),
              by: r[:by],
              fails: r[:fails],
              says: r[:says],
              made_at: Store::Values.time(r[:made_at]),
              next_at: Store::Values.time(r[:next_at])
            }
          end
        end

        # Raises Refused.
        def remove(id, by:)
          row = @rows.find(id) or raise Refused.new(:unknown, :no_hook, id: id)
          @rows.remove(id)
          note("hook_removed", by, row[:url])
        end

        # Is there anything to tell?
        def due?
          last = @ports.journal.last_seq or return false
          waiting(last).any?
        end

        # Tells what is new to each. Returns how many lines were told.
        def tell
          last = @ports.journal.last_seq or return 0
          # each in a lane of its own: a mute one is in nobody else's way
          waiting(last).map { |row| Thread.new { tell_one(row) } }.sum(&:value)
        end

        private

        def known!(types)
          strange = types - TYPES
          if strange.any?
            raise Refused.new(:invalid, :hook_types, given: strange.join(", "), known: TYPES)
          end

          raise Refused.new(:invalid, :no_hook_types, known: TYPES) if types.empty?
        end

        def waiting(last) = @rows.waiting(last, at: @ports.now)

        def tell_one(row)
          types = JSON.parse(row[:types])
          told = 0
          @ports
            .journal
            .lines_after(row[:seq], AT_ONCE)
            .each do |event|
              told += 1 if (event.type == ALWAYS || types.include?(event.type)) && post(row, event)
              @rows.told(row[:id], event.seq)
            end
          told
        rescue Wire::Error => e
          put_off(row, e.says)
          told
        end

        def post(row, event)
          body =
            JSON.generate(
              seq: event.seq,
              at: event.at.utc.iso8601,
              type: event.type,
              move: event.move_id,
              name: event.name,
              step: event.step,
              says: Words.plain(Words.retold(event)),
              by: event.by
            )
          headers =
            Wire::Http::Signature.headers(
              row[:url],
              body,
              secret: @ports.safe.open(row[:secret]),
              created: @ports.now,
              key_id: "hook-#{row[:id]}"
            )
          inside = @ports.hooks_inside
          status = Wire::Http::Hook.post(row[:url], body, headers, inside: inside)
          raise Wire::Unreachable, "it answered #{status}" unless status.between?(200, 299)

          true
        end

        # It is tried again, later each time.
        def put_off(row, says)
          fails = @rows.fails(row[:id])
          wait = BACK_OFF[[fails, BACK_OFF.size - 1].min]
          @rows.put_off(row[:id], fails + 1, @ports.now.to_i + wait, says)
        end

        def note(key, by, url)
          @ports.journal.add(
            "people",
            at: @ports.now,
            by: by,
            says: Words.phrase("journal.#{key}", by: by, url: url)
          )
        end
      end
    end
  end
end
