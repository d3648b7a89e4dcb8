# frozen_string_literal: true

require "socket"

module Practice
  module Post
    # The part of IMAP4rev1 (RFC 3501) that a reader of one mailbox needs: LOGIN, EXAMINE/SELECT,
    # UID SEARCH, UID FETCH, LOGOUT.
    class ImapServer
      def initialize(port, world, login:, password:)
        @world = world
        @login = login
        @password = password
        @server = TCPServer.new("127.0.0.1", port)
      end

      def start = Thread.new { loop { Thread.new(@server.accept) { |s| serve(s) } } }

      private

      def serve(socket)
        return socket.close if @world.fault?("mailbox-away")

        socket.setsockopt(Socket::IPPROTO_TCP, Socket::TCP_QUICKACK, 1)
        socket.write("* OK [CAPABILITY IMAP4rev1] practice mailbox\r\n")
        while (line = socket.gets("\r\n", 8192))
          tag, word, rest = line.chomp.split(" ", 3)
          socket.write(answer(tag, word.to_s.upcase, rest.to_s))
          break if word.to_s.casecmp?("LOGOUT")

          socket.setsockopt(Socket::IPPROTO_TCP, Socket::TCP_QUICKACK, 1) # readers send a command in several pieces
        end
      rescue SystemCallError, IOError
        nil
      ensure
        socket.close
      end

      def answer(tag, word, rest)
        case word
        when "CAPABILITY"
          "* CAPABILITY IMAP4rev1\r\n#{tag} OK done\r\n"
        when "LOGIN"
          sign_in(tag, rest)
        when "SELECT", "EXAMINE"
          "* #{@world.post.count} EXISTS\r\n* 0 RECENT\r\n* FLAGS ()\r\n* OK " \
            "[UIDVALIDITY 1]\r\n#{tag} OK [READ-ONLY] done\r\n"
        when "UID"
          uid(tag, rest)
        when "LOGOUT"
          "* BYE\r\n#{tag} OK done\r\n"
        else
          "#{tag} BAD unknown\r\n"
        end
      end

      def sign_in(tag, rest)
        given = rest.scan(/"((?:[^"\\]|\\.)*)"|(\S+)/).map { |a, b| a ? a.gsub(/\\(.)/, '\1') : b }
        given == [@login, @password] ? "#{tag} OK done\r\n" : "#{tag} NO sign-in refused\r\n"
      end

      def uid(tag, rest)
        case rest
        when /\ASEARCH .*?(\d+):\*(?: FROM "?([^"]+)"?)?/i
          search(tag, *Regexp.last_match.captures)
        when /\AFETCH (\d+) /i
          fetch(tag, Regexp.last_match(1).to_i)
        else
          "#{tag} BAD unknown\r\n"
        end
      end

      # FROM: messages whose From field holds the text (RFC 3501 §6.4.4).
      def search(tag, first, from)
        found = @world.post.since(first.to_i - 1)
        found =
          found.select { |_, raw| raw[/^From:.*/i].to_s.downcase.include?(from.downcase) } if from
        "* SEARCH#{found.map { |uid, _| " #{uid}" }.join}\r\n#{tag} OK done\r\n"
      end

      def fetch(tag, uid)
        raw = @world.post.fetch(uid) or return "#{tag} OK done\r\n"
        body = raw.gsub(/\r?\n/, "\r\n").b
        "* #{uid} FETCH (UID #{uid} BODY[]<0> {#{body.bytesize}}\r\n".b << body <<
          ")\r\n#{tag} OK done\r\n"
      end
    end
  end
end
