# frozen_string_literal: true

module Practice
  module Epp
    # How an EPP server can misbehave when it replies. Each takes the connection and the reply; false ends the
    # conversation.
    module Trouble
      Framing = SteadyMove::Wire::Epp::Framing

      KINDS = {
        "cut" => ->(_tls, _reply) { false },
        "half" => lambda { |tls, reply|
          tls.write(([reply.bytesize + 4].pack("N") << reply.b)[0, 60])
          tls.close
          false
        },
        "garbage" => ->(tls, _reply) { Framing.write(tls, "<html><body>502</body></html>") || true },
        "stranger" => ->(tls, reply) {
          Framing.write(tls, reply.sub(%r{<clTRID>[^<]*</clTRID>}, "<clTRID>somebody-else</clTRID>")) || true
        },
        "lying" => lambda { |tls, _reply|
          tls.write([0x7fffffff].pack("N"))
          tls.flush
          false
        },
        "mute" => ->(tls, _reply) { tls.read(1) && false }
      }.freeze
    end
  end
end
