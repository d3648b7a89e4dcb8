# frozen_string_literal: true

module SteadyMove
  module Core
    module Imports
      # What a column of a table of names may hold. One more is one row here, and its name among the
      # words of the screen.
      module Kinds
        # key: what it is, as a note has it (besides name, account and currency); reads: how a cell
        # is understood (Cells); heads: what such columns are called (from memory).
        Kind = Struct.new(:key, :reads, :heads)

        ALL = [
          Kind.new(
            "name",
            :name,
            ["domain", "domains", "domain name", "name", "names", "fqdn", "domaine", "dominio"]
          ),
          Kind.new(
            "account",
            :text,
            ["account", "registrar", "held at", "provider", "registrar account", "where"]
          ),
          Kind.new(
            "stay_price",
            :price,
            [
              "price",
              "cost",
              "renewal price",
              "renewal cost",
              "a year here",
              "yearly",
              "fee",
              "preis"
            ]
          ),
          Kind.new("currency", :text, %w[currency währung devise]),
          Kind.new(
            "auto_renew",
            :flag,
            ["auto renew", "autorenew", "auto renewal", "renews itself"]
          ),
          Kind.new(
            "expires_at",
            :day,
            [
              "expiry",
              "expires",
              "expiration",
              "expiry date",
              "expiration date",
              "expires at",
              "expires on",
              "renewal date",
              "renewal",
              "renews on",
              "valid until",
              "due",
              "ablauf",
              "ablaufdatum"
            ]
          ),
          Kind.new("lock", :flag, ["lock", "locked", "transfer lock", "registrar lock"]),
          Kind.new("privacy", :flag, ["privacy", "privacy service", "private registration"]),
          Kind.new("admin_email", :address, ["admin email", "admin mail", "administrative email"]),
          Kind.new("technical_email", :address, ["tech email", "technical email", "tech mail"]),
          Kind.new(
            "registrant_email",
            :address,
            [
              "email",
              "mail",
              "e mail",
              "owner email",
              "registrant email",
              "contact email",
              "contact"
            ]
          ),
          Kind.new("paid", :flag, ["paid", "period paid", "last period paid", "bezahlt"]),
          Kind.new("premium", :flag, %w[premium]),
          Kind.new("client", :text, %w[client customer brand owner kunde cliente klant]),
          Kind.new(
            "name_servers",
            :hosts,
            ["name servers", "name server", "nameservers", "nameserver", "ns", "dns servers", "dns"]
          ),
          Kind.new("note", :text, %w[note notes remark remarks comment comments memo bemerkung])
        ].freeze
        BY_KEY = ALL.to_h { |kind| [kind.key, kind] }.freeze
        # Those of which several columns are read as one.
        SEVERAL = %w[name_servers note].freeze
        # Those that say something of the name itself.
        NOTES = (BY_KEY.keys - %w[name account currency]).freeze

        module_function

        # A column's kind by what stands above it: the whole head, without figures at its end, or
        # its words. Returns a key, or nil.
        #   Imports::Kinds.by_head("Expiry date") # => "expires_at"
        #   Imports::Kinds.by_head("NS 2") # => "name_servers"
        #   Imports::Kinds.by_head("Renewal price (EUR)") # => "stay_price"
        #   Imports::Kinds.by_head("DNS host") # => nil
        def by_head(text)
          plain = text.downcase.sub(/\(.*\)/, "").gsub(/[^\p{L}\p{N}]+/, " ").sub(/ ?\d+ *\z/, "")
          plain = plain.strip
          whole = ALL.find { |kind| kind.heads.include?(plain) }
          (whole || ALL.find { |kind| within?(kind, plain) })&.key
        end

        # Is it a host's or a zone's, not the name's own? Such heads hold words of ours by chance.
        OTHERS = /\b(?:dns host|international|zone|id|number|status|created|registered|updated)\b/
        private_constant :OTHERS

        def within?(kind, plain)
          return false if plain.match?(OTHERS)

          kind.heads.any? { |head| head.length > 3 && plain.match?(/\b#{Regexp.escape(head)}\b/) }
        end
        private_class_method :within?
      end
    end
  end
end
