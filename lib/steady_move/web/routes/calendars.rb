# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # A person's calendar feed: its secret address, and the feed itself, for which the address is
      # all that is asked.
      module Calendars
        extend Answers

        # The address as it is told once.
        module Helpers
          def calendars = Desk::Automation::Calendars.new(desk)
          def own_address = application.address

          def calendar_shown
            {
              made_at: Views::Json.time(calendars.made_at(person[:id])),
              clients: desk.names.clients.values.uniq.sort
            }
          end
        end

        on("myCalendar") { { **calendar_shown, address: nil } }

        on "renewCalendar" do
          token = calendars.renew(person[:id], by: me)
          headers "Cache-Control" => "no-store"
          { **calendar_shown, address: "#{own_address}/api/calendar/#{token}" }
        end

        on "endCalendar" do
          calendars.finish(person[:id], by: me)
          { **calendar_shown, address: nil }
        end

        on "calendar" do
          only = { mine: asked[:mine] == true, client: asked[:client] }
          text = calendars.feed(asked[:token], **only, address: own_address) or
            raise Problem.say(404, :no_calendar)
          content_type "text/calendar", charset: "utf-8"
          headers "Cache-Control" => "private, no-store"
          text
        end
      end
    end
  end
end
