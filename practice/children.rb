# frozen_string_literal: true

require "rbconfig"

module Practice
  # Processes that belong together: started one after the other, and all stopped when one ends or a
  # signal comes.
  class Children
    def initialize
      @names = {}
      @stopping = false
      %w[INT TERM HUP].each { |s| trap(s) { stop } }
    end

    def stopping? = @stopping

    # Starts a Ruby program and waits for its word “ready”; its errors go to our own standard error.
    # Ends the process where it does not come up. Returns its pid.
    def start(what, *words)
      reader, writer = IO.pipe
      pid = Process.spawn(RbConfig.ruby, *words, out: writer, pgroup: true, in: File::NULL)
      writer.close
      @names[pid] = what
      return pid if reader.gets&.start_with?("ready") || @stopping

      stop
      exit 1
    end

    # Starts a program that says nothing of being ready.
    def beside(what, *words, **how)
      @names[Process.spawn(*words, pgroup: true, in: File::NULL, **how)] = what
    end

    # Ends one and waits for it, so that it can be started anew.
    def end_one(pid)
      @names.delete(pid)
      Process.kill("TERM", pid)
      Process.wait(pid)
    rescue Errno::ESRCH, Errno::ECHILD
      nil
    end

    def stop
      @stopping = true
      @names.each_key do |pid|
        Process.kill("TERM", pid)
      rescue Errno::ESRCH
        nil
      end
    end

    # Has one of them ended by itself? Says so and stops the rest.
    def any_ended?
      pid, status = Process.wait2(-1, Process::WNOHANG)
      pid && ended(pid, status)
    end

    # Until all have ended.
    def wait = (ended(*Process.wait2) until @names.empty?)

    private

    def ended(pid, status)
      what = @names.delete(pid) or return
      unless @stopping
        warn "Steady Move: #{what} has ended (#{status.to_s[/(exit|SIG).*/]}); the rest is stopped."
      end
      stop unless @stopping
      true
    end
  end
end
