# frozen_string_literal: true

require "digest"
require "public_suffix"

module SteadyMove
  module Core
    module Post
      # Whom an account is known to write from, as a list of entries: a domain, for whatever is
      # written from it and from below it; a whole address, for itself alone. At a public mail
      # provider anybody may have an address, so that only the whole one says who writes.
      module Writers
        module_function

        # The entry for an address.
        #   Post::Writers.entry("Help@Reg.Test") # => "reg.test"
        # Returns nil for what is no address.
        def entry(address)
          domain = domain(address) or return
          anybodys?(domain) ? address.downcase : domain
        end

        # Does this address write for one of the entries?
        #   Post::Writers.writes?(["reg.test"], "x@my.reg.test") # => true
        #   Post::Writers.writes?(["help@mail.test"], "x@mail.test") # => false
        def writes?(entries, address)
          domain = domain(address) or return false
          entries.any? do |known|
            entry = known.downcase
            entry.include?("@") ? entry == address.downcase : Hosts.within?(domain, entry)
          end
        end

        # The entries that are domains.
        def domains(entries) = entries.reject { |e| e.include?("@") }

        # May anybody have an address at this domain (A-label)?
        def anybodys?(domain)
          PublicMail::DIGESTS.include?(Digest::SHA256.hexdigest(domain)) || private_suffix?(domain)
        end

        def domain(address) = Trust.domain(address.to_s)

        def private_suffix?(domain)
          rule = PublicSuffix::List.default.find(domain, default: nil)
          !rule.nil? && rule.private && rule.decompose(domain).last.nil?
        end
        private_class_method :private_suffix?
      end
    end
  end
end
