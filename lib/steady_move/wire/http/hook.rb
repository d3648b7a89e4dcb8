# frozen_string_literal: true

require "ipaddr"
require "net/http"

module SteadyMove
  module Wire
    module Http
      # Posts a body to an address that somebody typed in: only where that may be, only to an
      # address that was looked at, and of the answer no more than its first line is read.
      module Hook
        LOOPBACK = /\A(?:localhost|127\.\d+\.\d+\.\d+|::1|\[::1\])\z/
        # Networks that are nobody's outside (RFC 6890, and multicast).
        INSIDE =
          %w[
            0.0.0.0/8
            10.0.0.0/8
            100.64.0.0/10
            127.0.0.0/8
            169.254.0.0/16
            172.16.0.0/12
            192.0.0.0/24
            192.168.0.0/16
            198.18.0.0/15
            224.0.0.0/3
            ::/127
            64:ff9b:1::/48
            fc00::/7
            fe80::/10
            ff00::/8
          ].map { |net| IPAddr.new(net) }.freeze
        # Octets of an answer's first line.
        LINE = 512
        STATUS = %r{\AHTTP/1\.[01] (\d{3})(?: |\r?\n)}

        module_function

        # Is this an address that may be posted to: https, or http on this machine?
        def fit?(url)
          uri = URI.parse(url)
          unless uri.is_a?(URI::HTTP) && uri.host && uri.userinfo.nil? && uri.fragment.nil?
            return false
          end

          uri.scheme == "https" || uri.host.match?(LOOPBACK)
        rescue URI::InvalidURIError
          false
        end

        # timeout: seconds for all of it; inside: may it lead into a network of one's own? http on
        # this machine may. Returns the status; raises Unreachable. Redirects are not followed.
        def post(url, body, headers, timeout: 20, inside: false)
          uri = URI.parse(url)
          inside ||= uri.scheme == "http" && uri.host.match?(LOOPBACK)
          Deadline.new(timeout).hold { status(uri, address(uri, inside), body, headers) }
        rescue Deadline::Passed
          raise Unreachable, "#{uri.host} can't be reached (no answer within #{timeout} s)"
        rescue SystemCallError, IOError, SocketError, OpenSSL::SSL::SSLError => e
          raise Unreachable,
                "#{uri.host} can't be reached (#{e.message.lines.first.to_s.strip[0, 120]})"
        end

        # Is it an address of a network of one's own?
        #   SteadyMove::Wire::Http::Hook.inside?("10.1.2.3") # => true
        def inside?(address)
          ip = IPAddr.new(address.sub(/%.*/, ""))
          ip = ip.native if ip.ipv4_mapped?
          INSIDE.any? { |net| net.include?(ip) }
        end

        # The one that is connected to, as it was resolved and looked at.
        def address(uri, inside)
          found = Addrinfo.getaddrinfo(uri.hostname, uri.port, nil, :STREAM).map(&:ip_address)
          within = inside ? nil : found.find { |ip| inside?(ip) }
          return found.first unless within

          raise Unreachable, "#{uri.host} leads into a network of one's own (#{within})"
        end

        def status(uri, address, body, headers)
          socket = TCPSocket.new(address, uri.port)
          io = uri.scheme == "https" ? secured(socket, uri.hostname) : socket
          request = Net::HTTP::Post.new(uri, headers.merge("connection" => "close"))
          request.body = body
          request.exec(Net::BufferedIO.new(io), "1.1", uri.request_uri)
          code = first_line(io)[STATUS, 1] or raise IOError, "its answer is no HTTP"
          code.to_i
        ensure
          socket&.close
        end

        def secured(socket, host)
          context = OpenSSL::SSL::SSLContext.new
          context.set_params(verify_mode: OpenSSL::SSL::VERIFY_PEER)
          tls = OpenSSL::SSL::SSLSocket.new(socket, context)
          tls.hostname = host
          tls.connect
          tls.post_connection_check(host)
          tls
        end

        def first_line(io)
          line = +""
          until line.include?("\n") || line.bytesize >= LINE
            line << io.readpartial(LINE - line.bytesize)
          end
          line
        end
        private_class_method :address, :status, :secured, :first_line
      end
    end
  end
end
