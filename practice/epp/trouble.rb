# frozen_string_literal: true

module Practice
  module Epp
    # How an EPP server can misbehave when it replies. Each takes the connection and the reply;
    # false ends the conversation.
    module Trouble
      Framing = SteadyMove::Wire::Epp::Framing

      KINDS = {
        "cut" => ->(_tls, _reply) { false },
        "half" =>
          lambda do |tls, reply|
            tls.write(([reply.bytesize + 4].pack("N") << reply.b)[0, 60])
            tls.close
            false
          end,
        "garbage" => ->(tls, _reply) do
          Framing.write(tls, "<html><body>502</body></html>") || true
        end,
        "stranger" => ->(tls, reply) do
          Framing.write(
            tls,
            reply.sub(%r{<clTRID>[^<]*</clTRID>}, "<clTRID>somebody-else</clTRID>")
          ) || true
        end,
        "lying" =>
          lambda do |tls, _reply|
            tls.write([0x7fffffff].pack("N"))
            tls.flush
            false
          end,
        "mute" => ->(tls, _reply) { tls.read(1) && false }
      }.freeze
    end
  end
end
