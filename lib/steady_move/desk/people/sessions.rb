# frozen_string_literal: true

require "openssl"
require "securerandom"

module SteadyMove
  module Desk
    module People
      # Who is signed in where. A session is a row here; the browser's cookie only names it, by a
      # key of which only the digest is kept. Times are the machine's own, also in the practice
      # world.
      class Sessions
        # Seconds: OWASP ASVS 4.0, 3.3.2.
        LONGEST = 12 * 3600
        IDLE = 30 * 60
        # How stale the time of last use may be.
        NOTED = 60
        # For so long the password need not be given again (ASVS 4.0, 3.7.1: common practice).
        CONFIRMED = 5 * 60

        # secret: for the digests; idle: seconds; clock: answers now as a number of seconds.
        def initialize(db, secret:, idle: IDLE, clock: -> { Time.now.to_i })
          @rows = Store::Sessions.new(db)
          @secret = secret
          @idle = idle
          @clock = clock
        end

        # Returns the new session's key. agent: the browser as it names itself; address: where the
        # request came from.
        def begin(person_id, agent: "", address: "")
          sweep
          key = SecureRandom.urlsafe_base64(32)
          @rows.add(
            person_id: person_id,
            digest: digest(key),
            began_at: now,
            seen_at: now,
            agent: agent.to_s.scrub[0, 200],
            address: address.to_s[0, 60]
          )
          key
        end

        # The row of a session that still lives, or nil. used: does somebody use it now? (A page
        # that only looks after itself doesn't.)
        def find(person_id, key, used: true)
          row = key && @rows.find(person_id, digest(key), living)
          touch(row) if row && used && row[:seen_at] < now - NOTED
          row
        end

        # The password was given again in this session.
        def confirm(person_id, key) = @rows.confirm(person_id, digest(key), now)

        # Was it just now? row: of find.
        def confirmed?(row)
          at = row[:confirmed_at]
          !at.nil? && now.between?(at, at + CONFIRMED)
        end

        # A person's living sessions, the latest used first.
        def for_person(person_id) = @rows.for_person(person_id, living)

        def finish(person_id, key) = @rows.finish(person_id, digest: digest(key))
        def finish_id(person_id, id) = @rows.finish(person_id, id: id)

        # Ends all sessions of a person, but for the one with this key.
        def finish_all(person_id, but: nil)
          @rows.finish_all(person_id, but: but && digest(but))
        end

        private

        def now = @clock.call

        # Where nothing can be written (a full disk), pages can be read all the same.
        def touch(row)
          @rows.touch(row[:id], now)
        rescue Sequel::DatabaseError => e
          raise unless Store::Trouble.kind(e)
        end

        def digest(key) = OpenSSL::HMAC.hexdigest("SHA256", @secret, key.to_s)
        # Those that began and were used after these instants still live.
        def living = [now - LONGEST, now - @idle]
        def sweep = @rows.sweep(living)
      end
    end
  end
end
