# frozen_string_literal: true

module SteadyMove
  module Desk
    module Mail
      # Reads what is new in one mailbox, a part at a time: the newest first, then those of senders
      # that are known, then the rest from old to new. What was read is never asked for again,
      # whatever happened in between.
      class MailboxReading
        # Messages in one go, and how many of the newest come before all others.
        AT_ONCE = 250
        NEWEST = 50
        # Known senders that the server is asked for by name.
        SENDERS = 60

        # How far the reading of a full mailbox has come.
        Progress = Struct.new(:done, :of, keyword_init: true)

        # id: of the mailbox; senders: answers the domains that are known.
        def initialize(ports, id, senders:)
          @ports = Ports.of(ports)
          @id = id
          @senders = senders
          @passed = Set.new
          @done = 0
        end

        # Takes the next part in: calls the block with each message, at its Place. Returns how many
        # were new. Raises Wire::Error.
        def read(box, &)
          box.open do |open|
            validity = open.validity.to_i
            floor = floor(validity)
            there = open.uids(after: floor)
            waiting = there - @ports.messages.numbers(@id, validity, above: floor) - @passed.to_a
            next settle(validity, there.last || floor) if waiting.empty?

            part = in_order(open, floor, waiting).first(AT_ONCE)
            progress(waiting.size)
            take(open, validity, part, &)
          end
        end

        # Is there more that was not taken in the last part?
        def more? = !@progress.nil? && @progress.done < @progress.of
        def progress_so_far = more? ? @progress : nil

        # One message by its place, as it lies in the mailbox; nil where it is gone, or where the
        # mailbox counts anew. Raises Wire::Error.
        def one(box, place)
          found = nil
          box.open do |open|
            next unless open.validity.to_i == place.uidvalidity

            open.each([place.uid]) { |message| found = message.at_place(place) }
          end
          found
        end

        private

        # All up to it was read. Where the numbers begin anew, everything is looked at again; what
        # is here already is known by its octets.
        def floor(validity)
          kept, floor = @ports.inboxes.read_to(@id)
          return floor if kept == validity

          @passed.clear
          @ports.inboxes.set_read(@id, uidvalidity: validity, floor: 0)
          0
        end

        def settle(validity, last)
          @ports.inboxes.set_read(@id, uidvalidity: validity, floor: last)
          @passed.clear
          @progress = nil
          0
        end

        # The newest and those from known senders, from new to old; the rest from old to new, since
        # what they ask for ends first.
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
          newest | (left & known) | left.reverse
        end

        def progress(waiting)
          @done = 0 if @progress.nil?
          @progress = Progress.new(done: @done, of: @done + waiting)
        end

        def take(open, validity, part, &)
          count = 0
          open.each(part) do |message|
            uid = message.place.uid
            place = Core::Post::Place.new(mailbox: @id, uidvalidity: validity, uid: uid)
            count += 1 if yield(message.at_place(place))
            @passed << uid
            @progress.done = (@done += 1)
          end
          @passed.merge(part) # also those that are gone from the mailbox
          count
        end
      end
    end
  end
end
