# frozen_string_literal: true

require "mail"

module SteadyMove
  module Desk
    module Common
      # Mails that the desk writes to people by itself: notices, alerts, links for a new password.
      # They say that nobody is to answer them automatically (RFC 3834 §5).
      module OwnMail
        module_function

        # app: App with a sender; to: addresses. Sends it; raises Wire::Error.
        def send_out(ports, to:, subject:, text:)
          ports = Ports.of(ports)
          from = ports.sender.from
          at = ports.now
          message =
            ::Mail.new(charset: "UTF-8") do
              from from
              to to
              date at
              subject subject
              body text
              header["Auto-Submitted"] = "auto-generated"
            end
          ports.sender.deliver(message.to_s, to: to)
        end
      end
    end
  end
end
