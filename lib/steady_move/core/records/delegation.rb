# frozen_string_literal: true

require "digest"

module SteadyMove
  module Core
    module Records
      # What a parent holds of a signed zone's keys.
      module Delegation
        SECURE_ENTRY = 257
        SHA256 = 2
        DIGESTS = { 1 => Digest::SHA1, 2 => Digest::SHA256, 4 => Digest::SHA384 }.freeze

        module_function

        # The DS of each key that is a secure entry point (RFC 4034 §5.1.4, RFC 4509 §2.2), as zone
        # file text. owner: Name; keys: [Rdata] of type DNSKEY.
        def ds(owner, keys)
          keys.select { |k| k.values[0] == SECURE_ENTRY }.map { |key| ds_record(owner, key) }.sort
        end

        # The DS of one key, as zone file text; kind: of the digest (RFC 4034 §5.1.4: 1, RFC 4509
        # §2.1: 2, RFC 6605 §2: 4).
        def ds_record(owner, key, kind: SHA256)
          digest =
            DIGESTS.fetch(kind).hexdigest(owner.to_wire(canonical: true) + key.to_wire).upcase
          "#{tag(key.to_wire)} #{key.values[2]} #{kind} #{digest}"
        end

        # A key's tag (RFC 4034 appendix B); octets: of its data.
        def tag(octets)
          sum = octets.bytes.each_with_index.sum { |b, i| i.even? ? b << 8 : b }
          (sum + (sum >> 16)) & 0xffff
        end
      end
    end
  end
end
