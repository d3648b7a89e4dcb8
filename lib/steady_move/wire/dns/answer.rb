# frozen_string_literal: true

module SteadyMove
  module Wire
    module Dns
      # What one server said. rcode: "NOERROR", "NXDOMAIN", …; authoritative: its AA bit; answer,
      # authority, additional: Records.
      Answer =
        Struct.new(
          :server,
          :rcode,
          :authoritative,
          :answer,
          :authority,
          :additional,
          keyword_init: true
        ) do
          # The set of a name and type wherever it stands, as in a referral (RFC 1034 §4.3.2).
          def set(name, type)
            [answer, authority, additional].flatten.select { |r| r.type == type && r.name == name }
          end
        end
    end
  end
end
