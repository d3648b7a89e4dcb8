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
        # An address in a parameter or a path: a scheme or two slashes of either kind, then a host.
        WITHIN =
          %r{(?:https?:[/\\]*|(?<=[=/?&])[/\\]{2,}|(?<==)www\.)(?:[^\s/?#&@]*@)?
            ((?:[\p{L}\p{N}-]+\.)+[\p{L}\p{N}]+|\d{7,10}|0x\h{8}|\[[\h:.]+\])}ix
        # Parameters that say where to go next (common practice, no source).
        NEXT =
          /\A(?:(?:re)?direct|return|dest|go|forward|continue|next|target|link|out|callback|href|
              site|page|location|view|r|u|ur[il]|to|destination)(?:_?(?:to|ur[il]))?\z/ix
        # A host that stands there without a scheme; with a path behind it, in any parameter.
        BARE = %r{\A((?:[\p{L}\p{N}-]+\.)+\p{L}{2,})\.?(?::\d+)?(/.*)?\z}
        # So often may an address be escaped.
        ESCAPED = 5
        BASE64 = %r{\A[A-Za-z0-9+/_-]{16,}={0,2}\z}
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

        # An address within an address, written out, escaped however often, or in base64 (RFC 4648).
        def leads(text)
          behind = text.sub(SCHEME, "").sub(%r{\A/*[^/?#]*}, "")
          plain = unescaped(behind)
          values = values(behind)
          hidden = values.filter_map { |_, value| decoded(value) }
          hosts = [*plain, *hidden].flat_map { |t| t.scan(WITHIN).flatten } + bare(values)
          hosts.filter_map { |host| Core::Names::HostName.ascii(host) || host }.uniq
        rescue ArgumentError
          []
        end

        # As it is, and with each layer of escapes taken off.
        def unescaped(text)
          list = [text]
          ESCAPED.times { list << Addressable::URI.unencode_component(list.last).scrub("?") }
          list.uniq
        end

        # [[name, value]] of the parameters, of the query and of what stands behind “#”.
        def values(behind)
          behind
            .split(/[?#&;]/)
            .drop(1)
            .map { |part| part.split("=", 2) }
            .select { |_, value| value }
            .map { |name, value| [name, unescaped(value).last] }
        end

        def bare(values)
          values.filter_map do |name, value|
            host, path = value.match(BARE)&.captures
            host if host && (path || name.match?(NEXT)) && !value.include?("@")
          end
        end

        # What a value says in base64, where that is an address.
        def decoded(value)
          return unless value.match?(BASE64)

          text = value.tr("-_", "+/").delete("=").unpack1("m").force_encoding("UTF-8")
          "=#{text}" if text.valid_encoding? && text.match?(%r{\A(?:https?:|//)})
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
        private_class_method :host_in, :named, :leads, :unescaped, :values, :bare, :decoded
      end
    end
  end
end
