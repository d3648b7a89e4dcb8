# frozen_string_literal: true

module SteadyMove
  module Desk
    module Mail
      # Reads what is new in one mailbox, a part at a time: the newest first, then those of senders
      # that are known, then the rest from new to old. What was read is never asked for again,
      # whatever happened in between.
      class MailboxReading
        PLACE = "mailbox."
        # Messages in one go, and how many of the newest come before all others.
        AT_ONCE = 250
        NEWEST = 50
        # Known senders that the server is asked for by name.
        SENDERS = 60

        # How far the reading of a full mailbox has come.
        Progress = Struct.new(:done, :of, keyword_init: true)

        # number: of the mailbox among the desk's; senders: answers the domains that are known.
        def initialize(ports, number, senders:)
          @ports = Ports.of(ports)
          @number = number
          @senders = senders
          @passed = Set.new
          @done = 0
        end

        # Takes the next part in: calls the block with each message, numbered as the desk numbers
        # it. Returns how many were new. Raises Wire::Error.
        def read(box, &)
          box.open do |open|
            floor = floor(open.validity)
            there = open.uids(after: floor)
            waiting = there - read_already(floor)
            next settle(open.validity, there.last || floor) if waiting.empty?

            part = in_order(open, floor, waiting).first(AT_ONCE)
            progress(waiting.size)
            take(open, part, &)
          end
        end

        # Is there more that was not taken in the last part?
        def more? = !@progress.nil? && @progress.done < @progress.of
        def progress_so_far = more? ? @progress : nil

        # One message by its own number, as it lies in the mailbox; nil where it is gone. Raises
        # Wire::Error.
        def one(box, uid)
          found = nil
          box.open { |open| open.each([uid - base]) { |message| found = numbered(message) } }
          found
        end

        private

        def base = @number * Store::Messages::BOX
        def key = "#{PLACE}#{@number}"

        # All below it was read. Where the numbers begin anew, everything is looked at again; what
        # is here already is known by its octets.
        def floor(validity)
          kept = @ports.system_state[key] || { "floor" => 0, "validity" => validity }
          return kept["floor"] if kept["validity"] == validity

          @passed.clear
          @ports.system_state[key] = { "floor" => 0, "validity" => validity, "anew" => true }
          0
        end

        def anew? = @ports.system_state[key]&.key?("anew")
        def read_already(floor)
          (anew? ? [] : @ports.messages.numbers(@number, above: floor)) + @passed.to_a
        end

        def settle(validity, last)
          kept = @ports.system_state[key] || {}
          @ports.system_state[key] = kept.merge("floor" => last, "validity" => validity)
          @passed.clear
          @progress = nil
          0
        end

        # The newest, those from known senders, the rest; each from new to old.
        def in_order(open, floor, waiting)
          return waiting if waiting.size <= AT_ONCE

          left = waiting.reverse
          newest = left.first(NEWEST)
          known =
            @senders
              .call
              .first(SENDERS)
              .flat_map { |domain| open.uids(after: floor, from: domain) }
              .uniq
          newest | (left & known) | left
        end

        def progress(waiting)
          @done = 0 if @progress.nil?
          @progress = Progress.new(done: @done, of: @done + waiting)
        end

        def take(open, part, &)
          count = 0
          open.each(part) do |message|
            uid = message.uid
            count += 1 if yield(numbered(message))
            @passed << uid
            @progress.done = (@done += 1)
          end
          @passed.merge(part) # also those that are gone from the mailbox
          count
        end

        # Where UIDs began anew a number may be taken by another message: then it gets one of the
        # desk's own.
        def numbered(message)
          number = base + message.uid
          taken = anew? && @ports.messages.taken?(number, message)
          message.dup.tap { |m| m.uid = taken ? @ports.messages.next_renumbered(@number) : number }
        end
      end
    end
  end
end
