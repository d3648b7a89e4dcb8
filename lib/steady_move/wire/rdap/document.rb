# frozen_string_literal: true

require "time"

module SteadyMove
  module Wire
    module Rdap
      # Reads a domain object (RFC 9083 §5.3) that was parsed from JSON; what is wrong is named by its member.
      module Document
        # RFC 9083 §10.2.3, the event actions that matter here. Of several, the later of beginnings, the earlier of
        # ends.
        EVENTS = { "registration" => %i[created_at max], "reregistration" => %i[created_at max],
                   "expiration" => %i[expires_at min],
                   "last changed" => %i[updated_at max], "transfer" => %i[transferred_at max] }.freeze

        module_function

        # data: Hash; url: where it came from, or nil. Returns a Domain; raises Malformed.
        def domain(data, url: nil)
          fail!("the object", "a JSON object", data) unless data.is_a?(Hash)
          fail!("objectClassName", "“domain”", data["objectClassName"]) unless data["objectClassName"] == "domain"

          Domain.new(name: name(data), handle: data["handle"], url: url, statuses: texts(data, "status").map do |s|
            Core::Names::Statuses.to_epp(s)
          end,
            registrar: of_role(data, "registrar", "fn"), registrant_email: of_role(data, "registrant", "email"),
            admin_email: of_role(data, "administrative", "email"),
            name_servers: name_servers(data), **secure(data), **events(data))
        end

        def name(data)
          given = data["ldhName"] || data["unicodeName"]
          fail!("ldhName", "a domain name", given) unless given.is_a?(String) && !given.strip.empty?
          given.downcase.delete_suffix(".")
        end

        def texts(data, member)
          list = list(data, member)
          list.each_with_index { |s, i| fail!("#{member}[#{i}]", "a text", s) unless s.is_a?(String) }
        end

        def list(data, member)
          list = data.fetch(member, [])
          list.is_a?(Array) ? list : fail!(member, "a list", list)
        end

        def name_servers(data)
          list(data, "nameservers").each_with_index.map do |server, i|
            given = server.is_a?(Hash) ? server["ldhName"] : nil
            given.is_a?(String) ? given.downcase.delete_suffix(".") : fail!("nameservers[#{i}].ldhName", "a host name",
              given)
          end
        end

        def secure(data)
          secure = data.fetch("secureDNS", {})
          fail!("secureDNS", "an object", secure) unless secure.is_a?(Hash)
          signed = secure.fetch("delegationSigned", false)
          fail!("secureDNS.delegationSigned", "true or false", signed) unless [true, false].include?(signed)
          { signed: signed, ds: list(secure, "dsData") }
        end

        def events(data)
          list(data, "events").each_with_index.with_object({}) do |(event, i), found|
            fail!("events[#{i}]", "an object", event) unless event.is_a?(Hash)
            key, which = EVENTS[event["eventAction"]]
            if key
              found[key] =
                [found[key], instant(event["eventDate"], "events[#{i}].eventDate")].compact.public_send(which)
            end
          end
        end

        # RFC 3339 §5.6; anything finer than a second is dropped.
        def instant(text, member)
          Time.at(Time.iso8601(text).to_i).utc
        rescue ArgumentError, TypeError, NoMethodError
          fail!(member, "an instant such as 2027-03-01T08:00:00Z", text)
        end

        # A property of the vCard of the entity with a role (RFC 9083 §5.1, RFC 7095); for fn its handle where there
        # is no card.
        def of_role(data, role, property)
          entity = list(data, "entities").find { |e| e.is_a?(Hash) && Array(e["roles"]).include?(role) } or return
          card = entity["vcardArray"]
          card = card.is_a?(Array) && card[1].is_a?(Array) ? card[1] : []
          value = (card.find { |p| p.is_a?(Array) && p[0] == property } || [])[3]
          value.is_a?(String) && !value.empty? ? value : (entity["handle"] if property == "fn")
        end

        def fail!(member, expected, given)
          raise(Malformed, "#{member}: #{expected} is expected, not #{given.nil? ? 'nothing' : given.to_json[0, 60]}")
        end
        private_class_method :name, :texts, :list, :name_servers, :secure, :events, :instant, :of_role, :fail!
      end
    end
  end
end
