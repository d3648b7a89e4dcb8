# frozen_string_literal: true

require "socket"
require "openssl"

module Practice
  module Epp
    # An EPP server over TLS (RFC 5734): one thread a connection, greeting, sign-in, commands.
    class Server
      Framing = SteadyMove::Wire::Epp::Framing
      VERBS = %w[check info update renew transfer poll].freeze

      # logins: {client => [password, side]}; id names it for faults.
      def initialize(port, world, id:, certificate:, logins:)
        @world = world
        @id = id
        @logins = logins
        @context = OpenSSL::SSL::SSLContext.new
        @context.cert, @context.key = certificate
        @server = TCPServer.new("127.0.0.1", port)
      end

      def start = Thread.new { loop { Thread.new(@server.accept) { |s| serve(s) } } }

      private

      def serve(socket)
        return socket.close if @world.fault?("away-#{@id}")

        tls = OpenSSL::SSL::SSLSocket.new(socket, @context)
        tls.sync_close = true
        tls.accept
        Framing.write(tls, Replies.greeting("Practice registry", @world.now))
        converse(tls)
      rescue SystemCallError, IOError, OpenSSL::SSL::SSLError, SteadyMove::Wire::Error
        nil
      ensure
        socket.close
      end

      def converse(tls)
        service = nil
        while (text = Framing.read(tls))
          return if @world.fault?("away-#{@id}")

          reply, service, done = answer(text, service)
          break unless send_reply(tls, reply)

          break if done
        end
      end

      # Sends the reply as the faults want it; false where the conversation ends with that.
      def send_reply(tls, reply)
        fault = Trouble::KINDS.find { |kind, _| @world.fault?("#{kind}-#{@id}") }
        return Framing.write(tls, reply) || true unless fault

        fault.last.call(tls, reply)
      end

      def answer(text, service)
        request = Request.parse(text)
        case request.verb
        when "hello"
          [Replies.greeting("Practice registry", @world.now), service]
        when "login"
          sign_in(request)
        when "logout"
          [simple(1500, request), nil, true]
        when *VERBS
          if service
            [@world.exclusively { service.call(request) }, service]
          else
            [simple(2002, request), nil]
          end
        else
          [simple(2101, request), service]
        end
      rescue SteadyMove::Wire::Malformed
        [simple(2001, Request.new), service]
      rescue Refusal => e
        [simple(e.code, Request.new), service]
      end

      def sign_in(request)
        password, side = @logins[request.client]
        return simple(2200, request), nil unless password && password == request.password

        [simple(1000, request), Service.new(@world, side, extensions: request.extensions.to_a)]
      end

      def simple(code, request) = Replies.response(code, key: request.key, server_key: "PW-#{@id}")
    end
  end
end
