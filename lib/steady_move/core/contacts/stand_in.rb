# frozen_string_literal: true

module SteadyMove
  module Core
    module Contacts
      # Is an address in the public record a privacy service's, which passes mail on to whoever
      # holds the name, rather than the holder's own? What such addresses look like is common
      # practice, no source.
      module StandIn
        # Words in the mail domain, or as the whole of what stands before the @.
        WORDS = %w[
          anonymised
          anonymized
          anonymous
          conceal
          concealed
          cover
          covered
          dataprotected
          dataprotection
          gdpr
          hidden
          idprotect
          mask
          masked
          obscured
          private
          privacy
          protect
          protected
          protection
          proxied
          proxy
          redacted
          screen
          screened
          shade
          shield
          shielded
          veil
          whois
          withheld
        ].freeze
        # Words that are a business as well: told of, and not counted on alone.
        COMMON = %w[cover covered mask protect protection screen screened shade shield veil].freeze
        # A label made by a machine: so long, with so many digits among its letters.
        LONG = 12
        DIGITS = 3
        # So much of a name has to stand in an address that is made from it.
        OF_NAME = 6

        module_function

        # email: as the record shows it, or nil; name: A-label text. Returns :likely, :perhaps, or
        # nil where nothing speaks for it.
        #   Contacts::StandIn.of("tide.example@proxy.test", "tide.example") # => :likely
        #   Contacts::StandIn.of("k3x9v7q1p8rw@mail.test", "tide.example")  # => :perhaps
        #   Contacts::StandIn.of("owner@ferries.test", "tide.example")      # => nil
        def of(email, name)
          local, at, domain = email.to_s.downcase.rpartition("@")
          return if at.empty? || domain == name || domain.end_with?(".#{name}")
          return :likely if sure?(local, domain, name)

          found = words(domain).any? || made?(local) || from_name?(local, name)
          found ? :perhaps : nil
        end

        def sure?(local, domain, name)
          (words(domain) - COMMON).any? || (words(local) - COMMON).any? || local == name ||
            (words(domain).any? && (made?(local) || from_name?(local, name)))
        end

        # A label of the domain, or one between hyphens, that is one of the words; glued words only
        # where they are not a business's.
        def words(text)
          parts = text.split(/[^a-z0-9]+/)
          glued = WORDS - COMMON
          WORDS.select { |w| parts.include?(w) } |
            glued.select { |w| w.size >= 5 && parts.any? { |p| p.include?(w) } } |
            COMMON.select { |w| parts.any? { |p| p.size > w.size && p.end_with?(w) } }
        end

        def made?(local)
          plain = local.delete("-._+")
          plain.size >= LONG && plain.count("0-9") >= DIGITS &&
            plain.match?(/\d[a-z]+\d|[a-z]\d+[a-z]/)
        end

        # Made from the name itself, whole or cut off.
        def from_name?(local, name)
          plain = name.delete(".-")
          shown = local.delete(".-")
          shown.size >= OF_NAME && plain.start_with?(shown) && shown.size >= [plain.size, LONG].min
        end
        private_class_method :sure?, :words, :made?, :from_name?
      end
    end
  end
end
