# frozen_string_literal: true

module SteadyMove
  module Store
    # What passkeys are to sign: each once, within minutes, by digest.
    class Challenges
      def initialize(db)
        @rows = db[:passkey_challenges]
      end

      # expires_at, now: seconds. Those that are over go.
      def give(person_id, digest, expires_at:, now:)
        @rows.where(Sequel[:expires_at] <= now).delete
        row = { digest: digest, person_id: person_id, expires_at: expires_at }
        @rows.insert_conflict(:replace).insert(row)
      end

      # Takes it; true where it was there and not over.
      def take(person_id, digest, now:)
        mine = @rows.where(person_id: person_id, digest: digest)
        mine.where(Sequel[:expires_at] > now).delete == 1
      end
    end
  end
end
