# frozen_string_literal: true

require "public_suffix"

module SteadyMove
  module Core
    module Names
      # A registrable domain name: A-label form for the wire, U-label form for people.
      class DomainName
        include Comparable

        # Why a text names no registrable domain; its phrase says what was found and what is
        # expected.
        class Invalid < ArgumentError
          attr_reader :phrase

          def initialize(key, **values)
            @phrase = Phrase.of("names.#{key}", **values)
            super("#{@phrase.key} #{values}")
          end
        end

        # No name in any form is longer; DNS ends at 253 octets (RFC 1035 §2.3.4).
        LONGEST = 1000
        LABEL = /\A[a-z0-9](?:[a-z0-9-]{0,61}[a-z0-9])?\z/

        attr_reader :ascii, :unicode

        # Understands a URL, a host under the name, upper case, a final dot, an international name.
        # Host syntax: RFC 1123 §2.1, RFC 5890 §2.3.1; suffixes: Public Suffix List as its package
        # carries it, and those of several labels that a rulebook adds (longest first). Raises
        # Invalid.
        #   Names::DomainName.parse(" HTTPS://www.Möwe.example/x ").ascii # => "xn--mwe-sna.example"
        #   Names::DomainName.parse("tide.example.").unicode # => "tide.example"
        def self.parse(text, suffixes: [])
          typed = text.to_s.scrub.strip
          raise Invalid, :nothing if typed.empty?
          raise Invalid.new(:numbers, typed: typed) if numbers?(typed)

          unicode = registrable(host_of(typed), typed, suffixes)
          ascii = Idn.to_ascii(unicode).downcase
          check_labels(ascii, typed)
          new(ascii, Idn.shown(ascii))
        rescue Idn::Unfit
          raise Invalid.new(:not_in_dns, typed: typed)
        end

        # An address (RFC 1123 §2.1: the last label of a name is never all digits; RFC 4291 §2.2,
        # with brackets or not).
        #   Names::DomainName.numbers?("192.0.2.1") # => true
        #   Names::DomainName.numbers?("https://[2001:db8::1]/") # => true
        #   Names::DomainName.numbers?("7.example") # => false
        def self.numbers?(typed)
          bare = typed.sub(%r{\A[a-z][a-z0-9+.-]*://}i, "")[%r{\A[^/?#]*}]
          bare.match?(/\A\[?\h*:\h*:[\h:.]*\]?(?::\d+)?\z/) ||
            bare.sub(/:\d+\z/, "").match?(/\A(?:[^.]+\.)+\d+\.?\z/)
        end

        # Is it a suffix of the Public Suffix List's private part, under which somebody hands out
        # names below a registry's?
        #   Names::DomainName.private_suffix?("co.uk") # => false
        def self.private_suffix?(suffix)
          return false unless suffix.include?(".")

          rule = PublicSuffix::List.default.find("x.#{suffix}", default: nil)
          !rule.nil? && rule.private && rule.value == suffix
        end

        # A name that was parsed before, from its A-label form alone.
        def self.held(ascii) = new(ascii, ascii.include?("xn--") ? Idn.shown(ascii) : ascii)

        def self.host_of(typed)
          host = typed.sub(%r{\A[a-z][a-z0-9+.-]*://}i, "").sub(%r{\A[^@/]*@}, "")
          host = host[%r{\A[^/?#:\s]*}]
          if host.length > LONGEST
            raise Invalid.new(:too_long, typed: "#{typed[0, 60]}…", length: host.length)
          end

          host = host.delete_suffix(".")
          raise Invalid.new(:empty_label, typed: typed) if host.match?(/\A\.|\.\./)

          Idn.to_unicode(host.downcase)
        end

        def self.registrable(host, typed, suffixes)
          raise Invalid.new(:no_suffix, typed: typed) unless host.include?(".")

          own = suffixes.find { |s| host.end_with?(".#{s}") }
          return "#{host.delete_suffix(".#{own}").rpartition(".").last}.#{own}" if own
          raise Invalid.new(:is_suffix, typed: typed) if suffixes.include?(host)

          PublicSuffix.domain(host) or raise Invalid.new(:is_suffix, typed: typed)
        end

        def self.check_labels(ascii, typed)
          raise Invalid.new(:too_long, typed: typed, length: ascii.length) if ascii.length > 253

          bad = ascii.split(".", -1).find { |label| !label.match?(LABEL) } or return
          raise Invalid.new(:bad_label, typed: typed, label: bad)
        end
        private_class_method :host_of, :registrable, :check_labels, :new

        def initialize(ascii, unicode)
          @ascii = ascii.freeze
          @unicode = unicode.freeze
          freeze
        end

        # Everything behind the first dot, in A-label form.
        def suffix = ascii[(ascii.index(".") + 1)..]
        # Does it lie under this suffix (A-label form)?
        #   Names::DomainName.parse("tide.example").under?("example") # => true
        def under?(suffix) = ascii.end_with?(".#{suffix}")
        def to_s = ascii
        def <=>(other) = ascii <=> other.ascii
        def eql?(other) = other.is_a?(DomainName) && ascii == other.ascii
        def hash = ascii.hash
      end
    end
  end
end
