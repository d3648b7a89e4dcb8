# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # Words that stand for numbers in record data; their numbers count on the wire.
      module Mnemonics
        # RFC 4034 appendix A.1 with IANA's later ones (from memory, held against
        # named-compilezone).
        ALGORITHMS = {
          "RSAMD5" => 1,
          "DH" => 2,
          "DSA" => 3,
          "ECC" => 4,
          "RSASHA1" => 5,
          "NSEC3DSA" => 6,
          "NSEC3RSASHA1" => 7,
          "RSASHA256" => 8,
          "RSASHA512" => 10,
          "ECCGOST" => 12,
          "ECDSAP256SHA256" => 13,
          "ECDSA256" => 13,
          "ECDSAP384SHA384" => 14,
          "ECDSA384" => 14,
          "ED25519" => 15,
          "ED448" => 16,
          "INDIRECT" => 252,
          "PRIVATEDNS" => 253,
          "PRIVATEOID" => 254
        }.freeze
        # RFC 4034 appendix A.2, RFC 4509, RFC 5933, RFC 6605.
        DIGESTS = {
          "SHA-1" => 1,
          "SHA1" => 1,
          "SHA-256" => 2,
          "SHA256" => 2,
          "GOST" => 3,
          "SHA-384" => 4,
          "SHA384" => 4
        }.freeze
        # RFC 4398 §2.1.
        CERTIFICATES = {
          "PKIX" => 1,
          "SPKI" => 2,
          "PGP" => 3,
          "IPKIX" => 4,
          "ISPKI" => 5,
          "IPGP" => 6,
          "ACPKIX" => 7,
          "IACPKIX" => 8,
          "URI" => 253,
          "OID" => 254
        }.freeze

        # RFC 2535 §7.1.
        PROTOCOLS = {
          "NONE" => 0,
          "TLS" => 1,
          "EMAIL" => 2,
          "DNSSEC" => 3,
          "IPSEC" => 4,
          "ALL" => 255
        }.freeze

        module_function

        # The same, written as its word where it has one.
        def worded(table, bits, pack)
          kind(table, bits, pack).dup.tap { |k| k.text = ->(v) { table.key(v) || v.to_s } }
        end

        # A kind of field: a number of so many bits, which may be written as one of these words.
        def kind(table, bits, pack)
          max = (1 << bits) - 1
          Fields::Kind.new(
            ->(t, _o) { number(Fields.take(t, "a number"), table, max) },
            :to_s.to_proc,
            ->(v, _c) { [v].pack(pack) },
            ->(r) { r.public_send("u#{bits}") }
          )
        end

        def number(text, table, max) = table[text.upcase] || Fields.whole(text, max)
      end
    end
  end
end
