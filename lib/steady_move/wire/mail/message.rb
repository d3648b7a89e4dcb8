# frozen_string_literal: true

module SteadyMove
  module Wire
    module Mail
      # One message as text. uid: its number in the mailbox; at: Time of its Date field; failed: what the receiving
      # server found not proven (dkim, spf, dmarc); cut: only its beginning was read; answers: Message-IDs that it
      # names in In-Reply-To and References; undelivered: addresses that a delivery report says could not be reached;
      # automatic: no person wrote it (RFC 3834 §5).
      Message = Struct.new(:uid, :message_id, :from, :to, :subject, :at, :text, :failed, :cut, :answers, :undelivered,
        :automatic, keyword_init: true)
    end
  end
end
