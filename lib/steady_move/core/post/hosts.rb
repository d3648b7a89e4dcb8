# frozen_string_literal: true

require "public_suffix"

module SteadyMove
  module Core
    module Post
      # Host names as they are compared: A-labels in lower case.
      module Hosts
        # Letters that look like others (a few of Unicode's confusables, UTS 39; from memory).
        ALIKE = {
          "0" => "o",
          "1" => "l",
          "i" => "l",
          "|" => "l",
          "5" => "s",
          "vv" => "w",
          "rn" => "m",
          "а" => "a",
          "е" => "e",
          "о" => "o",
          "р" => "p",
          "с" => "c",
          "у" => "y",
          "х" => "x",
          "і" => "l",
          "ı" => "l",
          "ѕ" => "s",
          "ԁ" => "d",
          "ɡ" => "g",
          "ո" => "n",
          "ḷ" => "l",
          "α" => "a",
          "ο" => "o",
          "ρ" => "p",
          "ν" => "v",
          "κ" => "k",
          "τ" => "t",
          "н" => "h",
          "т" => "t",
          "м" => "m",
          "к" => "k",
          "в" => "b"
        }.freeze
        LOOKS =
          /vv|rn|[#{ALIKE.keys.select { |k| k.length == 1 }.map { |k| Regexp.escape(k) }.join}]/

        module_function

        # Is it the domain or does it lie under it?
        #   Post::Hosts.within?("my.reg.test", "reg.test") # => true
        #   Post::Hosts.within?("xreg.test", "reg.test") # => false
        def within?(host, domain) = host == domain || host.to_s.end_with?(".#{domain}")

        def within_any?(host, domains) = domains.any? { |d| within?(host, d) }

        # The same organizational domain (RFC 7489 §3.2, by the Public Suffix List).
        def aligned?(one, other)
          one == other || (!organization(one).nil? && organization(one) == organization(other))
        end

        # Which of the known domains this one is made to look like, or nil.
        #   Post::Hosts.alike("rnoor.test", ["moor.test"]) # => "moor.test"
        def alike(host, known)
          known.find { |d| d != host && looks(host) == looks(d) }
        end

        def organization(domain)
          PublicSuffix.domain(domain, default_rule: PublicSuffix::Rule.default)
        end

        def looks(host)
          Core::Names::Idn
            .to_unicode(host.to_s)
            .unicode_normalize(:nfkd)
            .gsub(/\p{Mn}/, "")
            .gsub(LOOKS) { |s| ALIKE[s] }
            .delete("-")
        rescue Core::Names::Idn::Unfit
          host
        end
        private_class_method :organization, :looks
      end
    end
  end
end
