# frozen_string_literal: true

module SteadyMove
  module Desk
    module Steps
      # Waits until the registry holds our transfer as pending, or has ended it.
      class RegistryPending < Act
        include Transfers

        def call
          transfer = our_transfer
          record = public_record
          over = transfer && transfer.status != "pending"
          return finished(transfer) if over && !transfer.status.end_with?("Approved")

          if over || (transfer && record.status?("pendingTransfer"))
            return done(sentence(:done, until: transfer.act_at), source: :query_and_record, ref: record.url,
              deadline: transfer.act_at)
          end
          wait(sentence(:not_yet), source: :record, look_at: now + 300)
        end
      end
    end
  end
end
