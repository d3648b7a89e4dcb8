# frozen_string_literal: true

module Practice
  module Counters
    # The pages of a privacy service of its own.
    class ServiceDesk
      def initialize(world, id)
        @place = "service-#{id}"
        @service = world.service(id)
      end

      def title = @service.title
      def keys = [@service.login, @service.password]

      def list(place)
        check =
          (
            if @service.checked?
              "<p>Your identity check is passed.</p>"
            else
              Page.form("/counter/#{@place}/all/ask", "Send me a number for the identity check") +
                Page.form("/counter/#{@place}/all/check", "Check", "number" => "Number")
            end
          )
        check +
          Page.names(
            place,
            @service.names.map { |n| [n, @service.on?(n) ? "privacy on" : "privacy off"] }
          )
      end

      def name(name)
        on = @service.on?(name)
        form =
          Page.form(
            "/counter/#{@place}/#{name}/#{on ? "off" : "on"}",
            on ? "Show the contacts" : "Hide the contacts"
          )
        "<p><code>#{Page.h(name)}</code>: privacy #{on ? "on" : "off"}</p>#{form}"
      end

      def do(name, what, given, now)
        case what
        when "ask"
          @service.ask_check(at: now)
        when "check"
          @service.check(given["number"], at: now)
        when "on", "off"
          @service.set(name, what == "on", at: now)
        else
          raise FrontOffice::No, "There is no such act."
        end
      end
    end
  end
end
