# frozen_string_literal: true

module SteadyMove
  module Wire
    module Mail
      # One message as text. uid: its number in the mailbox; at: Time of its Date field.
      Message = Struct.new(:uid, :message_id, :from, :to, :subject, :at, :text, keyword_init: true)
    end
  end
end
