# frozen_string_literal: true

require "net/http"

module SteadyMove
  module Wire
    module Http
      # Posts a body to an address that an administrator typed in.
      module Hook
        LOOPBACK = /\A(?:localhost|127\.\d+\.\d+\.\d+|::1|\[::1\])\z/
        MOST = 2048

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

        # Returns the status; raises Unreachable. Redirects are not followed.
        def post(url, body, headers, timeout: 10)
          uri = URI.parse(url)
          Deadline
            .new(timeout * 2)
            .hold do
              Net::HTTP.start(
                uri.host,
                uri.port,
                use_ssl: uri.scheme == "https",
                open_timeout: timeout,
                read_timeout: timeout,
                max_retries: 0
              ) { |http| http.post(uri.request_uri, body, headers).code.to_i }
            end
        rescue Deadline::Passed,
               SystemCallError,
               IOError,
               SocketError,
               Timeout::Error,
               OpenSSL::SSL::SSLError,
               Net::ProtocolError,
               Net::HTTPBadResponse => e
          raise Unreachable,
                "#{uri.host} can't be reached (#{e.message.lines.first.to_s.strip[0, 120]})"
        end
      end
    end
  end
end
