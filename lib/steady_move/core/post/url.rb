# frozen_string_literal: true

require "rubygems" # addressable asks for it, and a script starts without
require "addressable/uri"

module SteadyMove
  module Core
    module Post
      # An address as a browser takes it (URL Standard, “URL parsing”, from memory), and what is odd
      # about it. What different readers take differently is odd; what is left is read by
      # addressable, too, and both must agree.
      module Url
        # host: A-label or nil; odd: what is odd, as ids, empty for a plain web address; leads:
        # hosts of addresses that it hands on, where one may be led next.
        Read = Struct.new(:host, :odd, :leads, keyword_init: true)
        SCHEME = /\A([a-z][a-z0-9+.-]*):/i
        UNSEEN = /[\p{Cc}\p{Cf}\u{115F}\u{1160}\u{3164}\u{FFA0}]/
        WEB = %w[http https].freeze
        # Signs that a host must not hold once it is read (URL Standard, forbidden domain code
        # points).
        FORBIDDEN = %r{[\s#%/:<>?@\[\\\]^|]}
        # An address in a parameter or a path: a scheme or two slashes, then a host.
        WITHIN = %r{(?:https?:/{1,2}|(?<=[=/?&])//|(?<==)www\.)((?:[\p{L}\p{N}-]+\.)+\p{L}{2,})}i
        NUMBER = /\A(?:0x[0-9a-f]*|\d+)\z/i

        module_function

        # text: as it stands in the message.
        #   Post::Url.read("https://my.reg.test/x?y=1").host # => "my.reg.test"
        #   Post::Url.read("https://evil.test\\@reg.test/").odd # => [:backslash]
        def read(text)
          odd = []
          odd << :unseen if text.match?(UNSEEN) || text.match?(/\s/)
          odd << :backslash if text.include?("\\")
          plain = text.gsub(UNSEEN, "").gsub(/\s/, "").tr("\\", "/")
          scheme = plain[SCHEME, 1]&.downcase
          odd << :scheme if scheme && !WEB.include?(scheme)
          host_in(plain, scheme, odd).tap { |read| read.leads = leads(plain) }
        end

        # An address within an address, written out or escaped, once or twice.
        def leads(text)
          behind = text.sub(SCHEME, "").sub(%r{\A/*[^/?#]*}, "")
          3
            .times
            .flat_map do
              behind = Addressable::URI.unencode_component(behind).scrub("?")
              behind.scan(WITHIN).flatten
            end
            .filter_map { |host| Core::Names::HostName.ascii(host) }
            .uniq
        rescue ArgumentError
          []
        end

        def host_in(plain, scheme, odd)
          rest = scheme ? plain.delete_prefix(plain[SCHEME]) : plain
          slashes = rest[%r{\A/*}]
          odd << :slashes if scheme && WEB.include?(scheme) && slashes != "//"
          authority = rest.delete_prefix(slashes)[%r{\A[^/?#]*}]
          odd << :user if authority.include?("@")
          host = authority.rpartition("@").last.sub(/:\d*\z/, "")
          odd << :escaped if host.include?("%")
          if odd.empty? &&
               host != Addressable::URI.parse("https://#{rest.delete_prefix(slashes)}").host
            odd << :host
          end
          Read.new(
            host:
              odd.include?(:scheme) ? nil : named(Addressable::URI.unencode_component(host), odd),
            odd: odd
          )
        rescue ArgumentError, Addressable::URI::InvalidURIError
          Read.new(host: nil, odd: odd | [:host])
        end

        def named(host, odd)
          odd << :bare if host.start_with?("[") || host.split(".").last.to_s.match?(NUMBER)
          ascii = Core::Names::HostName.ascii(host)
          if ascii.nil? || ascii.match?(FORBIDDEN) || ascii.split(".", -1).any?(&:empty?)
            odd << :host
          end
          odd << :host unless ascii.to_s.include?(".") || odd.include?(:bare)
          ascii
        end
        private_class_method :host_in, :named, :leads
      end
    end
  end
end
