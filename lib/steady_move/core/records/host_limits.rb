# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # What a DNS host can't hold, as it is known of it: data of the host, not a kind of host.
      # types: mnemonics that it takes, nil where it takes all or that is not known; ttl_floor,
      # ttl_most: seconds; text_most: octets of one TXT record; wildcard: false where it takes none;
      # alias_at_top: a name for an alias at the top that it offers, nil where none.
      # Types that can be held in another's place (RFC 7208 §3.1 for SPF; RFC 9460 §9 for HTTPS;
      # common practice for the rest).
      WITH_ADVICE = %w[SPF HTTPS SVCB CAA TLSA SSHFP NAPTR DNAME SRV PTR].freeze
      HostLimits =
        Struct.new(
          :types,
          :ttl_floor,
          :ttl_most,
          :text_most,
          :wildcard,
          :sets_most,
          :alias_at_top,
          keyword_init: true
        ) do
          # habits: {"types", "ttl_floor", "ttl_most", "text_most", "wildcard", "sets_most",
          # "alias_at_top"} of a host.
          def self.of(habits)
            new(**members.to_h { |m| [m, habits[m.to_s]] })
          end

          # A record set => [Phrase]: what of it the host can't hold, and what to do instead.
          def refuse(set)
            [type(set), wildcard_refused(set), length(set)].compact
          end

          # The TTL that the host will give it.
          def ttl(seconds)
            low = ttl_floor ? [seconds, ttl_floor].max : seconds
            ttl_most ? [low, ttl_most].min : low
          end

          # A Phrase where the TTL can't be held.
          def ttl_changed(set)
            held = ttl(set.ttl)
            Phrase.of("records.limits.ttl", ttl: set.ttl, held: held) unless held == set.ttl
          end

          # A Phrase where a zone of so many sets is too large for the host; nil where it is not, or
          # nobody knows.
          def too_many(count)
            return if sets_most.nil? || count <= sets_most

            Phrase.of("records.limits.sets", count: count, most: sets_most, over: count - sets_most)
          end

          private

          def type(set)
            return if types.nil? || types.include?(set.type)

            key = WITH_ADVICE.include?(set.type) ? set.type : "other"
            Phrase.of("records.limits.type.#{key}", at: set.name.to_host, type: set.type)
          end

          def wildcard_refused(set)
            if wildcard == false && set.name.wildcard?
              Phrase.of("records.limits.wildcard", at: set.name.to_host)
            end
          end

          def length(set)
            return unless text_most && set.type == "TXT"

            longest = set.rdatas.map { |r| r.values.first.sum(&:bytesize) }.max
            return unless longest > text_most

            Phrase.of("records.limits.text", at: set.name.to_host, octets: longest, most: text_most)
          end
        end
    end
  end
end
