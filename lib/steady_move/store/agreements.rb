# frozen_string_literal: true

module SteadyMove
  module Store
    # What clients were asked to agree to, batch by batch, under an address that only they know, and
    # what they answered.
    class Agreements
      # client: the name of one, or nil for all of the batch; shown: as it was shown
      # (Desk::Batches::AgreedPlan); standing: of what it was shown; answer: yes, question or nil;
      # answered_by, says: what they typed.
      Agreement =
        Struct.new(
          :id,
          :batch_id,
          :client,
          :made_at,
          :asked_by,
          :shown,
          :standing,
          :answer,
          :answered_by,
          :says,
          :answered_at,
          keyword_init: true
        )
      WHOSE = %i[batch_id client].freeze

      def initialize(db)
        @rows = db[:agreements]
      end

      # The address before holds no longer, and its answer neither. about: {made_at:, asked_by:,
      # shown:, standing:}.
      def renew(batch_id, client, digest, about)
        @rows.where(batch_id: batch_id, client: client.to_s).delete
        @rows.insert(
          batch_id: batch_id,
          client: client.to_s,
          token_digest: digest,
          **about,
          made_at: about.fetch(:made_at).to_i,
          shown: Values.dump(about.fetch(:shown))
        )
      end

      # [Agreement] of a batch.
      def of(batch_id) = @rows.where(batch_id: batch_id).order(:client).map { |r| made(r) }

      # [Agreement] with a question.
      def questions = @rows.where(answer: "question").reverse(:id).map { |r| made(r) }

      # The one under an address, or nil.
      def find(digest) = @rows.where(token_digest: digest).first&.then { |r| made(r) }

      # Keeps the answer where none was given yet. Returns whether it was.
      def answer(id, answer:, answered_by:, says:, answered_at:)
        @rows
          .where(id: id)
          .exclude(Sequel.function(:coalesce, :answer, "") => "yes")
          .update(
            answer: answer,
            answered_by: answered_by,
            says: says,
            answered_at: answered_at.to_i
          ) == 1
      end

      # Returns whether there was one.
      def finish(batch_id, client) =
        @rows.where(batch_id: batch_id, client: client.to_s).delete == 1

      private

      def made(row)
        Agreement.new(
          **row.except(:token_digest),
          client: row[:client].empty? ? nil : row[:client],
          shown: Values.load(row[:shown]),
          made_at: Values.time(row[:made_at]),
          answered_at: Values.time(row[:answered_at])
        )
      end
    end
  end
end
