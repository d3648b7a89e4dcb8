# frozen_string_literal: true

require "socket"
require "dnsruby"

# A name server with one bad habit, on UDP and TCP of one loopback port.
class BadDns
  attr_reader :port

  def initialize(habit)
    @habit = habit
    @tcp = TCPServer.new("127.0.0.1", 0)
    @port = @tcp.addr[1]
    @udp = UDPSocket.new.tap { |s| s.bind("127.0.0.1", @port) }
    @threads = [Thread.new { loop { datagram } }, Thread.new { loop { stream(@tcp.accept) } }]
  end

  def stop
    @threads.each(&:kill)
    [@tcp, @udp].each(&:close)
  end

  private

  def datagram
    octets, from = @udp.recvfrom(4096)
    reply = answer(octets, tcp: false)
    @udp.send(reply, 0, from[3], from[1]) if reply
  rescue IOError, SystemCallError
    nil
  end

  def stream(socket)
    size = socket.read(2)&.unpack1("n") or return
    request = socket.read(size)
    reply = answer(request, tcp: true)
    socket.write([reply.bytesize].pack("n") + reply) if reply
    socket.write([500].pack("n") << "half") if @habit == :cut
  rescue IOError, SystemCallError
    nil
  ensure
    socket.close
  end

  def answer(octets, tcp:)
    request = Dnsruby::Message.decode(octets)
    return if @habit == :silent
    return "nonsense" if @habit == :garbage

    base(request).tap { |m| shape(m, request, tcp) }.encode
  end

  def base(request)
    Dnsruby::Message.new.tap do |m|
      request.question.each { |q| m.add_question(q) }
      m.header.id = request.header.id
      m.header.qr = true
      m.header.aa = true
    end
  end

  def shape(message, request, tcp)
    name = request.question.first.qname.to_s
    case @habit
    when :wrong_id
      message.header.id = (message.header.id + 1) % 65_536
    when :refuses
      message.header.rcode = "REFUSED"
    when :truncates
      tcp ? add(message, "#{name}. 60 IN A 192.0.2.9") : message.header.tc = true
    when :cut
      add(message, "#{name}. 60 IN SOA a. b. 1 2 3 4 5")
    when :no_soa
      add(message, "#{name}. 60 IN A 192.0.2.9")
    when :circle
      add(message, "#{name}. 60 IN CNAME other.#{name}.") &&
        add(message, "other.#{name}. 60 IN CNAME #{name}.")
    end
  end

  def add(message, text) = message.add_answer(Dnsruby::RR.create(text)) || true
end
