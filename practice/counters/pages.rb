# frozen_string_literal: true

require "cgi/escape"
require "openssl"
require "rack"

module Practice
  module Counters
    # The registrars' own plain pages, where a person does by hand what the desk says. Places: every
    # registrar, every separate privacy service (“service-” and the registrar's id), and the
    # registry's page for holders. Nothing of the desk is in them.
    class Pages
      def initialize(world)
        @world = world
        @seal = Random.new(world.scenario.seed).bytes(16)
      end

      def call(env)
        request = Rack::Request.new(env)
        place, *rest = request.path_info.delete_prefix("/counter/").split("/")
        return release(request, place, rest.last) if rest.first == "release"
        return confirm(request, place, rest.last) if rest.first == "confirm"

        counter = counter_of(place) or
          return page("Nothing here", "<p>There is no such counter.</p>", status: 404)
        return sign_in(request, place, counter) if rest.first == "sign-in"
        return page(counter.title, Page.sign_in(place)) unless signed_in?(request, place)

        request.post? ? act(request, place, counter, rest) : show(place, counter, rest.first)
      rescue FrontOffice::No, Refusal => e
        page(
          "Not done",
          "<p role=\"alert\">#{Page.h(e.message)}</p>#{back(Page.h(place), rest.to_a.first)}"
        )
      end

      private

      def counter_of(place)
        if @world.registrars.key?(place) && @world.scenario.registrars[place]["counter"] != false
          return Desk.new(@world, place)
        end

        return HostDesk.of(@world, place.delete_prefix("host-")) if place.to_s.start_with?("host-")

        id = place.to_s.delete_prefix("service-")
        if place.to_s.start_with?("service-") && @world.scenario.registrars.dig(id, "service")
          ServiceDesk.new(@world, id)
        end
      end

      # The link in the mail: to the holder at the registry, or to the losing registrar's customer.
      # Whoever has the link may use it.
      def release(request, place, name)
        by_registry = place == "registry"
        counter = by_registry ? nil : counter_of(place)
        unless by_registry || counter
          return page("Nothing here", "<p>There is no such counter.</p>", status: 404)
        end
        unless request.post?
          return page("Transfer of #{name}", Page.release(request.path_info, name))
        end

        said =
          @world.exclusively do
            if by_registry
              @world.registry.holder_approves(name, at: @world.now) &&
                "The transfer of #{name} is approved."
            else
              @world.front_office(place).release(name, at: @world.now)
            end
          end
        page("Done", "<p role=\"status\">#{Page.h(said)}</p>")
      end

      # The link in the mail of a registrar that was ordered at.
      def confirm(request, place, name)
        return page("Order of #{name}", Page.confirm(request.path_info, name)) unless request.post?

        said = @world.exclusively { @world.shop(place).confirm(name, "link", at: @world.now) }
        page("Done", "<p role=\"status\">#{Page.h(said)}</p>")
      end

      def sign_in(request, place, counter)
        unless request.post? &&
                 [request.params["login"], request.params["password"]] == counter.keys
          return page(counter.title, Page.sign_in(place, "That is not the right name or password."))
        end

        [
          303,
          {
            "location" => "/counter/#{place}/",
            "set-cookie" =>
              "counter_#{place}=#{token(place)}; " \
                "path=/counter/#{place}; httponly; samesite=strict"
          },
          []
        ]
      end

      def show(place, counter, name)
        body = @world.exclusively { name ? counter.name(name) : counter.list(place) }
        page(
          counter.title,
          "#{body}#{"<p><a href=\"/counter/#{place}/\">All names</a></p>" if name}"
        )
      end

      def act(request, place, counter, rest)
        name, what = rest
        said = @world.exclusively { counter.do(name, what, request.params, @world.now) }
        page(
          counter.title,
          "<p role=\"status\">#{Page.h(said)}</p>#{back(place, name == "all" ? nil : name)}"
        )
      end

      def token(place) = OpenSSL::HMAC.hexdigest("SHA256", @seal, place)

      def signed_in?(request, place)
        Rack::Utils.secure_compare(request.cookies["counter_#{place}"].to_s, token(place))
      end

      def page(title, body, status: 200)
        policy = "default-src 'none'; style-src 'unsafe-inline'; form-action 'self'"
        headers = {
          "content-type" => "text/html; charset=utf-8",
          "content-security-policy" => policy
        }
        [status, headers, [Page.whole(title, body)]]
      end

      def back(place, rest) = "<p><a href=\"/counter/#{place}/#{Page.h(rest)}\">Back</a></p>"
    end
  end
end
