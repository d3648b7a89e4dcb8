# frozen_string_literal: true

module SteadyMove
  module Wire
    module Dns
      # What one server said. rcode: "NOERROR", "NXDOMAIN", …; authoritative: its AA bit; answer, authority: Records.
      Answer = Struct.new(:server, :rcode, :authoritative, :answer, :authority, keyword_init: true)
    end
  end
end
