# frozen_string_literal: true

require "socket"

# A server that hands out one document, over and over (HTTP/1.1), and counts how often.
class ListServer
  attr_reader :asked

  def initialize(text)
    @text = text
    @asked = 0
    @server = TCPServer.new("127.0.0.1", 0)
    @thread = Thread.new { loop { serve(@server.accept) } }
    @thread.report_on_exception = false
  end

  def url = "http://127.0.0.1:#{@server.addr[1]}/dns.json"

  def stop
    @thread.kill
    @server.close
  end

  private

  def serve(socket)
    socket.gets("\r\n\r\n")
    @asked += 1
    socket.write(
      "HTTP/1.1 200 OK\r\nContent-Type: application/json\r\nContent-Length: #{@text.bytesize}\r\n" \
        "Connection: close\r\n\r\n#{@text}"
    )
    socket.close
  end
end
