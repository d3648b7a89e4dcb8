# frozen_string_literal: true

module SteadyMove
  module Wire
    module Mail
      # One message as text. uid: its number in the mailbox; at: Time of its Date field; failed: what the receiving server found
      # not proven (dkim, spf, dmarc); cut: only its beginning was read.
      Message = Struct.new(:uid, :message_id, :from, :to, :subject, :at, :text, :failed, :cut, keyword_init: true)
    end
  end
end
