# frozen_string_literal: true

require "socket"

module Practice
  module Post
    # The part of SMTP (RFC 5321) that takes a letter in: EHLO, HELO, MAIL, RCPT, DATA, RSET, NOOP,
    # QUIT.
    class SmtpServer
      MOST = 30 * 1024 * 1024

      def initialize(port, world)
        @world = world
        @server = TCPServer.new("127.0.0.1", port)
      end

      def start = Thread.new { loop { Thread.new(@server.accept) { |s| serve(s) } } }

      private

      def serve(socket)
        return socket.close if @world.fault?("outgoing-away")

        letter = { to: [] }
        say(socket, "220 practice mail")
        while (line = socket.gets("\r\n", 4096))
          break if line.casecmp?("QUIT\r\n")

          say(socket, answer(socket, line.chomp, letter))
        end
        say(socket, "221 bye")
      rescue SystemCallError, IOError
        nil
      ensure
        socket.close
      end

      def answer(socket, line, letter)
        case line
        when /\A(?:EHLO|HELO) /i, /\ANOOP/i
          "250 practice mail"
        when /\AMAIL FROM:<([^>]*)>/i
          (letter[:from] = Regexp.last_match(1)) && "250 go on"
        when /\ARCPT TO:<([^>]+)>/i
          (letter[:to] << Regexp.last_match(1)) &&
            (@world.fault?("outgoing-refuses") ? "550 no such mailbox" : "250 go on")
        when /\ADATA\z/i
          data(socket, letter)
        when /\ARSET/i
          letter[:to].clear && "250 forgotten"
        else
          "500 unknown"
        end
      end

      def data(socket, letter)
        return "503 who is it for?" if letter[:to].empty?

        say(socket, "354 end with a dot")
        raw = +""
        while (line = socket.gets("\r\n")) && line != ".\r\n"
          raw << line.delete_prefix(".") if raw.bytesize < MOST
        end
        @world.receive(letter[:from], letter[:to], raw)
        letter[:to] = []
        "250 taken"
      end

      def say(socket, text) = socket.write("#{text}\r\n")
    end
  end
end
