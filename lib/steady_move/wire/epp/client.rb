# frozen_string_literal: true

require "socket"
require "openssl"
module SteadyMove
  module Wire
    module Epp
      # One signed-in EPP session over TLS (RFC 5730, RFC 5734). Not for several threads at once.
      class Client
        # endpoint: {host, port, client, password, ca_file, server_name, timeout (seconds: for
        # connecting, TLS, greeting and sign-in together, and for each answer after them)}. The
        # certificate is verified against ca_file (or the system's list) and server_name.
        # Raises Unreachable, Malformed or Refused.
        def self.open(endpoint)
          client = new(endpoint)
          client.sign_in
          client
        end

        def initialize(endpoint)
          @at = endpoint
          @where = "#{endpoint.fetch(:host)} port #{endpoint.fetch(:port)}"
          @opening = Deadline.new(patience)
          @io = guarded { connect }
          text = guarded { Framing.read(@io) } or
            raise Unreachable, "#{@where} closed the connection before its greeting"
          @greeting = Greeting.parse(text)
        end

        # What the server offers; its first answer.
        attr_reader :greeting

        # Signs in (RFC 5730 §2.9.1.1); raises Refused with the result code.
        def sign_in
          request(
            Commands.login(
              client: @at.fetch(:client),
              password: @at.fetch(:password),
              id: "login-#{object_id}",
              objects: @greeting.objects & Commands::OBJECTS,
              extensions: @greeting.extensions & Commands::EXTENSIONS
            )
          )
        rescue Refused => e
          raise Refused.new(e.code, "the sign-in was refused (#{e.code} #{e.message})")
        ensure
          @opening = nil
        end

        # Sends one command and returns its Response; raises Refused with the result code for 2xxx.
        def request(xml)
          response = exchange(xml)
          raise Refused.new(response.code, response.says) unless response.success?

          response
        end

        # Octets of a file with certificates or a key.
        FILE = 1024 * 1024
        # Seconds for which an answer proves the connection well.
        FRESH = 10

        # Does the other side still answer? (RFC 5730 §2.3: <hello> at any time gives a greeting.)
        # Not asked where it just did and nothing, not even an end, has come since.
        def alive?
          return true if @answered && monotonic - @answered < FRESH && !@io.to_io.wait_readable(0)

          guarded do
            Framing.write(@io, Commands.hello)
            !Framing.read(@io).nil?
          end
        rescue Error
          false
        end

        # Closes without a word, for a connection that is broken already.
        def hang_up
          @io&.close
        rescue SystemCallError, IOError, OpenSSL::SSL::SSLError
          nil
        end

        def inspect = "#<EPP client #{@where}>"

        # Signs out and closes.
        def close
          exchange(Commands.logout(id: "logout-#{object_id}"))
        rescue Error
          nil
        ensure
          @io&.close
        end

        private

        def exchange(xml)
          sent = xml[%r{<clTRID>([^<]*)</clTRID>}, 1]
          text =
            guarded do
              Framing.write(@io, xml)
              Framing.read(@io)
            end
          raise Unreachable, "#{@where} closed the connection without a reply" unless text

          @answered = monotonic
          Response
            .parse(text)
            .tap do |r|
              next if r.client_id.nil? || r.client_id == sent

              raise Malformed, "#{@where} answered another command than the one it was sent"
            end
        end

        def monotonic = Process.clock_gettime(Process::CLOCK_MONOTONIC)

        def patience = @at.fetch(:timeout, 15)

        # All until the sign-in is done goes by one deadline, each exchange after it by one of its
        # own.
        def guarded(&)
          (@opening || Deadline.new(patience)).hold(&)
        rescue Deadline::Passed
          raise Unreachable, "#{@where} did not answer within #{patience} s"
        rescue Errno::ECONNRESET, Errno::EPIPE, Errno::ECONNABORTED
          raise Unreachable, "#{@where} closed the connection without a reply"
        rescue OpenSSL::SSL::SSLError => e
          if e.message.include?("unexpected eof")
            raise Unreachable, "#{@where} closed the connection without a reply"
          end

          raise Unreachable,
                "#{@where}: the secure connection failed (" \
                  "#{e.message[/certificate.*/] || e.message})"
        rescue SystemCallError, IOError, SocketError => e
          raise Unreachable, "#{@where} can't be reached (#{e.message[/\A[^@]+/].strip})"
        end

        # What it trusts, and its own certificate where the registrar wants one (RFC 5734 §9). Which
        # of the files is missing, or none, is told nobody: a path may be a guess.
        def trusted
          context = OpenSSL::SSL::SSLContext.new
          context.set_params(verify_mode: OpenSSL::SSL::VERIFY_PEER, **authorities)
          own_certificate(context) if @at[:certificate_file]
          context
        rescue SystemCallError, IOError, OpenSSL::OpenSSLError, KeyError
          raise Unreachable, "#{@where}: a file of its certificates or keys can't be used"
        end

        # Those of a file, once it is seen to hold some; else the machine's own.
        def authorities
          path = @at[:ca_file] or return {}
          OpenSSL::X509::Certificate.load(file(path))
          { ca_file: path }
        end

        def own_certificate(context)
          context.add_certificate(
            OpenSSL::X509::Certificate.new(file(@at[:certificate_file])),
            OpenSSL::PKey.read(file(@at.fetch(:key_file)))
          )
        end

        def file(path)
          raise IOError, "no plain file" unless File.file?(path) && File.size(path) <= FILE

          File.read(path)
        end

        def connect
          context = trusted
          socket = TCPSocket.new(@at.fetch(:host), @at.fetch(:port))
          tls = OpenSSL::SSL::SSLSocket.new(socket, context)
          tls.sync_close = true
          tls.hostname = @at.fetch(:server_name, @at[:host])
          tls.connect
          tls.post_connection_check(@at.fetch(:server_name, @at[:host]))
          tls
        end
      end
    end
  end
end
