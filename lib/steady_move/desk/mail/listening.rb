# frozen_string_literal: true

module SteadyMove
  module Desk
    module Mail
      # Waits at the mailboxes whose servers tell when something comes (IDLE, RFC 2177), so that a
      # code is here as soon as it was sent. Where a server has none, the regular look is all there
      # is.
      class Listening
        # A server may end an idle connection after half an hour (RFC 2177 §3).
        AT_MOST = 25 * 60
        AGAIN = 60
        KEEP = 30

        # told: called when something has come.
        def initialize(ports, &told)
          @ports = Ports.of(ports)
          @told = told
          @threads = []
        end

        # Where a mailbox is set or taken out, the new ones are listened to within half a minute.
        def start
          @keeper =
            Thread.new do
              loop do
                begin_anew unless @listened.equal?(@ports.mailboxes)
                sleep KEEP
              end
            end
          self
        end

        def stop = [@keeper, *@threads].compact.each(&:kill)

        # Waits once: true where something came, false where not, nil where it makes no sense to
        # wait again.
        def once(box, seconds = AT_MOST)
          came = box.wait(seconds)
          @told.call if came
          came
        rescue Wire::Error => e
          tell(box, e.says)
          false
        end

        private

        # That a mailbox no longer tells stands where it stands how it was read.
        def tell(box, says)
          id = @ports.mailboxes.key(box) or return
          @ports.heard.note("mailbox #{id}", at: @ports.now, well: false, says: says)
        end

        def begin_anew
          @threads.each(&:kill)
          @listened = @ports.mailboxes
          @threads = @listened.each_value.map { |box| Thread.new { listen(box) } }
        end

        def listen(box)
          loop do
            began = Process.clock_gettime(Process::CLOCK_MONOTONIC)
            break if once(box).nil?

            sleep AGAIN if Process.clock_gettime(Process::CLOCK_MONOTONIC) - began < 1
          end
        end
      end
    end
  end
end
