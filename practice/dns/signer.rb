# frozen_string_literal: true

require "openssl"

module Practice
  module Dns
    # Signs a zone with one Ed25519 key (RFC 8080) and an NSEC chain (RFC 4034, RFC 4035 §2).
    class Signer
      Records = SteadyMove::Core::Records
      ALGORITHM = 15
      PRIVATE = ["302e020100300506032b657004220420"].pack("H*") # PKCS #8 head of an Ed25519 key (RFC 8410 §7)
      DIGEST = 2

      # seed: text from which the key is made, so that a world is the same each time; from, to: Time
      # of validity.
      def initialize(seed, from:, to:)
        @private = OpenSSL::PKey.read(PRIVATE + OpenSSL::Digest::SHA256.digest(seed))
        @from = from.to_i
        @to = to.to_i
      end

      # Zone → signed Zone.
      def sign(zone)
        ttl = zone.negative_ttl
        cuts = zone.all.filter_map { |s| s.name if delegation?(s, zone.origin) }
        glue, own = zone.records.partition { |r| cuts.any? { |c| r.name.under?(c) && r.name != c } }
        own << record(zone.origin, 3600, key)
        own += chain(zone.origin, own, ttl)
        signed = Records::Zone.new(zone.origin, own).all.reject { |s| delegation?(s, zone.origin) }
        Records::Zone.new(
          zone.origin,
          own + glue + signed.map { |s| record(s.name, s.ttl, signature(s, zone.origin)) }
        )
      end

      # The DS as text: key tag, algorithm, digest type, digest (RFC 4034 §5.1, RFC 4509).
      def ds(origin)
        digest = OpenSSL::Digest::SHA256.hexdigest(origin.to_wire(canonical: true) + key.to_wire)
        "#{tag} #{ALGORITHM} #{DIGEST} #{digest.upcase}"
      end

      private

      def key
        @key ||= Records::Rdata.new("DNSKEY", [257, 3, ALGORITHM, @private.public_to_der[-32..]])
      end

      # RFC 4034 appendix B.
      def tag
        sum = key.to_wire.bytes.each_with_index.sum { |b, i| i.even? ? b << 8 : b }
        (sum + (sum >> 16)) & 0xffff
      end

      def record(name, ttl, rdata) = Records::Record.new(name: name, ttl: ttl, rdata: rdata)
      def delegation?(set, origin) = set.type == "NS" && set.name != origin

      def chain(origin, records, ttl)
        types = records.group_by(&:name).transform_values { |rs| rs.map(&:type).uniq }
        names = types.keys.sort
        names.each_with_index.map do |name, i|
          following = names[(i + 1) % names.size]
          held = types[name] + %w[RRSIG NSEC]
          held = %w[NS DS NSEC RRSIG] & held if name != origin && types[name].include?("NS")
          record(name, ttl, Records::Rdata.new("NSEC", [following, held.uniq]))
        end
      end

      # RFC 4034 §3.1.8.1: the signature covers its own fields and the set in canonical form and
      # order.
      def signature(set, origin)
        labels = set.name.labels.size - (set.name.wildcard? ? 1 : 0)
        values = [set.type, ALGORITHM, labels, set.ttl, @to, @from, tag, origin]
        head = Records::Rdata.new("RRSIG", values + [""]).to_wire(canonical: true)
        owner = set.name.to_wire(canonical: true)
        body =
          set
            .rdatas
            .map { |r| r.to_wire(canonical: true) }
            .sort
            .map do |data|
              owner + [Records::Rdata.number_of(set.type), 1, set.ttl, data.bytesize].pack("nnNn") +
                data
            end
        Records::Rdata.new("RRSIG", values + [@private.sign(nil, head + body.join)])
      end
    end
  end
end
