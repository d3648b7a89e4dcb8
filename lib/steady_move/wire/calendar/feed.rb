# frozen_string_literal: true

require "icalendar"

module SteadyMove
  module Wire
    module Calendar
      # Events as an iCalendar feed (RFC 5545), by the icalendar package.
      module Feed
        # id: the same for the same thing each time (UID, RFC 5545 §3.8.4.7); title, text:
        # sentences; starts: Time; ends: Time, nil for an instant; url: where it is seen, or nil;
        # alarm: seconds before at which to remind, or nil.
        Event = Struct.new(:id, :title, :text, :starts, :ends, :url, :alarm, keyword_init: true)

        module_function

        # events: [Event]; name: of the calendar; at: Time of writing. Returns the feed's text.
        def write(events, name:, at:)
          calendar = Icalendar::Calendar.new
          calendar.prodid = "-//Steady Move//deadlines//EN"
          calendar.append_custom_property("X-WR-CALNAME", name)
          calendar.refresh_interval = "PT1H"
          events.each { |e| calendar.add_event(event(e, at)) }
          calendar.to_ical
        end

        def event(given, at)
          Icalendar::Event.new.tap do |e|
            e.uid = "#{given.id}@steady-move"
            e.dtstamp = utc(at)
            e.dtstart = utc(given.starts)
            e.dtend = utc(given.ends) if given.ends
            e.summary = given.title
            e.description = given.text if given.text
            e.url = given.url if given.url
            remind(e, given.alarm) if given.alarm
          end
        end

        def remind(event, seconds)
          event.alarm do |a|
            a.action = "DISPLAY"
            a.description = event.summary
            a.trigger = "-PT#{seconds / 60}M"
          end
        end

        def utc(time) = Icalendar::Values::DateTime.new(time.getutc, "tzid" => "UTC")
        private_class_method :event, :remind, :utc
      end
    end
  end
end
