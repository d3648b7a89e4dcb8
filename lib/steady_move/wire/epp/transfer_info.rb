# frozen_string_literal: true

module SteadyMove
  module Wire
    module Epp
      # Transfer data (RFC 5731 §3.1.3). status: pending, clientApproved, …; act_at: the act, or the
      # deadline while pending.
      TransferInfo =
        Struct.new(
          :name,
          :status,
          :requested_by,
          :requested_at,
          :acts,
          :act_at,
          :expires_at,
          keyword_init: true
        )
    end
  end
end
