# frozen_string_literal: true

require "net/http"
require "uri"

module Practice
  module DeskSide
    # A person at the practice world's counters: signs in, fills forms in, follows links.
    class Visitor
      # scenario: for the keys that the person knows.
      def initialize(scenario)
        @scenario = scenario
        @cookies = {}
      end

      # Posts an act for a name at the site that the desk names. Returns what the page says.
      def act(site, name, what, **fields)
        sign_in(site)
        said(post("#{site}#{name}/#{what}", fields, site))
      end

      def read(site, name = nil)
        sign_in(site)
        get("#{site}#{name}", site).body
      end

      # Follows a link from a mail and says yes.
      def approve(link) = said(Net::HTTP.post_form(URI(link), {}))

      private

      def sign_in(site)
        return if @cookies[site]

        place = site[%r{/counter/([^/]+)/}, 1]
        row = keys(place)
        answer =
          post(
            "#{site}sign-in",
            { login: row["login"], password: row["page_password"] || row["password"] },
            site
          )
        @cookies[site] = answer["set-cookie"].to_s[/\A[^;]+/] or raise "no way in at #{site}"
      end

      def keys(place)
        if place.start_with?("host-")
          return @scenario.hosts.fetch(place.delete_prefix("host-")).fetch("counter")
        end

        row = @scenario.registrars.fetch(place.delete_prefix("service-"))
        place.start_with?("service-") ? row["service"] : row
      end

      def post(address, fields, site)
        uri = URI(address)
        Net::HTTP.start(uri.host, uri.port) do |h|
          h.post(
            uri.path,
            URI.encode_www_form(fields),
            {
              "Cookie" => @cookies[site].to_s,
              "Content-Type" => "application/x-www-form-urlencoded"
            }
          )
        end
      end

      def get(address, site)
        uri = URI(address)
        Net::HTTP.start(uri.host, uri.port) do |h|
          h.get(uri.path, { "Cookie" => @cookies[site].to_s })
        end
      end

      def said(answer)
        answer.body.force_encoding("UTF-8")[%r{<p role="(?:status|alert)">(.*?)</p>}, 1] ||
          answer.code
      end
    end
  end
end
