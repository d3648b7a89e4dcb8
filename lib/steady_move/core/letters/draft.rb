# frozen_string_literal: true

module SteadyMove
  module Core
    module Letters
      # A letter before it is sent. to: address; kinds: what it asks for; names: [A-label text];
      # reference: what an answer is known by.
      # No secret ever stands in one.
      Draft =
        Struct.new(:to, :subject, :text, :kinds, :names, :reference, keyword_init: true) do
          # A link that opens it in a mail program (RFC 6068 §2: every field percent-encoded, lines
          # end in CRLF).
          def mailto
            fields = { subject: subject, body: text.gsub(/\r?\n/, "\r\n") }
            "mailto:#{encoded(to, "@")}?#{fields.map { |k, v| "#{k}=#{encoded(v)}" }.join("&")}"
          end

          private

          def encoded(text, also = "")
            text.b.gsub(/[^A-Za-z0-9\-._~#{also}]/n) { |c| format("%%%02X", c.ord) }
          end
        end
    end
  end
end
