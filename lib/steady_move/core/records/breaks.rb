# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # What stops working for people when a record set is missing at the new host, or is another
      # there (common practice; the purposes of the types are those of their standards, see
      # Rdata::TABLE). Nothing breaks by more than was there.
      module Breaks
        # What a TXT set is for, by where it stands and by how one of its texts begins: SPF (RFC
        # 7208 §3), DKIM (RFC 6376 §3.6.1), DMARC (RFC 7489 §6.1), MTA-STS (RFC 8461 §3.1), TLS-RPT
        # (RFC 8460 §3), DNS-based issuing (RFC 8555 §8.4).
        PLACES = [
          ["dkim", /\._domainkey\./],
          ["dmarc", /\A_dmarc\./],
          ["mta_sts", /\A_mta-sts\./],
          ["tls_rpt", /\A_smtp\._tls\./],
          ["acme", /\A_acme-challenge\./]
        ].freeze
        SPF = /\Av=spf1(?: |\z)/i
        WEB = %w[A AAAA CNAME DNAME].freeze
        KNOWN = %w[MX SRV CAA TLSA NS HTTPS SVCB NAPTR SSHFP PTR DS URI].freeze

        module_function

        # kind: missing or different, of a Comparison::Row; set: the old RecordSet; zone: origin
        # Name. Returns a Phrase, or nil where nothing breaks.
        def list(kind, set, origin)
          return unless %i[missing different].include?(kind)

          Phrase.of(
            "records.breaks.#{key(set, origin)}.#{kind}",
            at: set.name.to_host,
            type: set.type,
            below: below(set.name)
          )
        end

        # How bad it is, the worst first: the site and the mail before what only serves them.
        RANK = %w[apex mx ns site cname service srv https spf dkim dmarc].freeze
        def rank(set, origin) = RANK.index(key(set, origin)) || RANK.size

        def key(set, origin)
          return web(set.name, origin) if WEB.include?(set.type)
          return text(set) if %w[TXT SPF].include?(set.type)

          KNOWN.include?(set.type) ? set.type.downcase : "other"
        end

        # The name itself and www are the site; other hosts are something's.
        def web(name, origin)
          return "apex" if name == origin

          name.labels.first.downcase(:ascii) == "www" ? "site" : "host"
        end

        def text(set)
          place = PLACES.find { |_, form| set.name.to_host.downcase.match?(form) }
          return place.first if place

          set.rdatas.any? { |r| r.meaning.match?(SPF) } ? "spf" : "txt"
        end

        # The name under which a service is offered: what follows its last label with an underscore
        # (RFC 8552 §1).
        def below(name)
          last = name.labels.rindex { |l| l.start_with?("_") }
          last ? Name.new(name.labels.drop(last + 1)).to_host : name.to_host
        end
        private_class_method :key, :web, :text, :below
      end
    end
  end
end
