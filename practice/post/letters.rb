# frozen_string_literal: true

module Practice
  module Post
    # What the registrars write to a holder.
    module Letters
      LETTERS = {
        lock_notice: [
          "The transfer lock of %<name>s is being removed",
          "You asked us to take the transfer lock off %<name>s. It may take up to an hour until " \
            "the public record " \
            "shows it.\n\n%<registrar>s"
        ],
        leaving: [
          "Please approve the transfer of %<name>s to another registrar",
          "We were told that %<name>s is to leave us. You can approve the transfer in your " \
            "account now.\n" \
            "If we hear nothing by %<deadline>s it goes ahead by itself.\n%<link>s\n%<registrar>s"
        ],
        code: [
          "The authorization code of %<name>s",
          "You asked for it. The authorization code is:\n\n  %<code>s\n\n%<registrar>s"
        ],
        holder: [
          "Please approve the transfer of %<name>s to %<registrar>s",
          "You are the holder of %<name>s. We were asked to transfer it to %<registrar>s.\n" \
            "Please approve the transfer by " \
            "%<deadline>s; if you do nothing, " \
            "nothing is " \
            "changed.\n%<link>s\nThe " \
            "practice registry"
        ],
        left: [
          "The transfer of %<name>s is complete",
          "%<name>s has left us. Its zone and its services here end with it.\n\n%<registrar>s"
        ],
        landed: [
          "%<name>s is now held at %<registrar>s",
          "The transfer of %<name>s to us has finished.\n\n%<registrar>s"
        ],
        receipt: [
          "Your order: transfer of %<name>s",
          "We received your payment. Your order to transfer %<name>s to us is %<code>s.\n\n%<registrar>s"
        ],
        confirm_link: [
          "Please confirm your order to transfer %<name>s to us",
          "Somebody ordered the transfer of %<name>s to us. Please confirm the transfer.\n%<link>s\n%<registrar>s"
        ],
        confirm_halves: [
          "Please confirm the transfer of %<name>s: the second half of your number",
          "To confirm the transfer of %<name>s, type both halves on the page of your order.\n" \
            "The second half is: %<code>s\n\n%<registrar>s"
        ],
        servers: [
          "Welcome: your name servers for %<name>s",
          "You may use these name servers for %<name>s:\n\n%<code>s\n\n%<registrar>s"
        ],
        not_placed: [
          "Your order for %<name>s could not be placed",
          "The registry refused the transfer of %<name>s: %<code>s.\n\n%<registrar>s"
        ],
        ended: [
          "The transfer of %<name>s did not take place",
          "The transfer of %<name>s to us was ended before it was complete.\n\n%<registrar>s"
        ]
      }.freeze

      module_function

      # Returns [subject, text].
      def of(kind, name:, registrar:, deadline: nil, link: nil, code: nil)
        values = {
          name: name,
          registrar: registrar,
          code: code,
          link: link && "Open this link to approve it: #{link}\n",
          deadline: deadline&.strftime("%Y-%m-%d %H:%M:%S UTC")
        }
        LETTERS.fetch(kind).map { |t| format(t, values) }
      end
    end
  end
end
