# frozen_string_literal: true

require "ipaddr"

module SteadyMove
  module Web
    # Where a request came from. Only a proxy that is trusted is believed what it says of it: the
    # last address in X-Forwarded-For that is no such proxy's. From anybody else what is said of the
    # way is taken out.
    class Origin
      SAID = %w[
        HTTP_X_FORWARDED_FOR
        HTTP_X_FORWARDED_PROTO
        HTTP_X_FORWARDED_HOST
        HTTP_X_FORWARDED_PORT
        HTTP_X_FORWARDED_SCHEME
        HTTP_X_FORWARDED_SSL
        HTTP_FORWARDED
        HTTP_X_REAL_IP
        HTTP_CLIENT_IP
      ].freeze
      MOST = 20

      # proxies: addresses and networks, as text.
      def initialize(app, proxies)
        @app = app
        @proxies = proxies.map { |text| IPAddr.new(text) }
      end

      def call(env)
        way = [
          *env["HTTP_X_FORWARDED_FOR"].to_s.split(",").last(MOST),
          env["REMOTE_ADDR"].to_s
        ].map(&:strip)
        proto = env["HTTP_X_FORWARDED_PROTO"] if trusted?(way.last)
        SAID.each { |name| env.delete(name) }
        env["REMOTE_ADDR"] = from(way)
        env["HTTP_X_FORWARDED_PROTO"] = proto if proto
        @app.call(env)
      end

      private

      # Backwards from the connection itself, for as long as a trusted proxy vouches for what stands
      # before it.
      def from(way)
        way.pop while way.size > 1 && trusted?(way.last) && address(way[-2])
        way.last
      end

      def trusted?(text) = (found = address(text)) && @proxies.any? { |p| p.include?(found) }

      def address(text)
        IPAddr.new(text).then { |a| a.ipv4_mapped? ? a.native : a }
      rescue IPAddr::Error
        nil
      end
    end
  end
end
