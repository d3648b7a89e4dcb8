# frozen_string_literal: true

require "socket"

module Practice
  # Free loopback ports by purpose, kept across restarts so that nobody has to be told anew.
  class Ports
    # Below the range from which the system gives ports to connections that go out: one that is free
    # now could be one of theirs in a moment.
    RANGE = 18_000..32_000
    # "FIRST-LAST" in the environment: another range. Of worlds that live side by side and are ended
    # and begun anew, none may take what another comes back for.
    VARIABLE = "STEADY_MOVE_PRACTICE_PORTS"

    def initialize(file, range: ENV.fetch(VARIABLE, nil))
      @range = range ? Range.new(*range.split("-", 2).map { |n| Integer(n, 10) }) : RANGE
      @file = file
      @ports = File.exist?(file) ? JSON.parse(File.read(file)) : {}
    end

    # The port for a purpose; free for UDP and TCP when first chosen.
    def [](purpose)
      @ports[purpose] ||= free
    end

    # Writes all ports, and what else others need to know, for those who look for them.
    def publish(file, more)
      save
      File.write("#{file}.new", JSON.pretty_generate({ "ports" => @ports }.merge(more)))
      File.rename("#{file}.new", file)
    end

    private

    def save = File.write(@file, JSON.generate(@ports))

    def free
      loop do
        port = rand(@range)
        next if @ports.value?(port)

        TCPServer.open("127.0.0.1", port).close
        UDPSocket.new.tap { |s| s.bind("127.0.0.1", port) }.close
        return port
      rescue Errno::EADDRINUSE
        next
      end
    end
  end
end
