# frozen_string_literal: true

module SteadyMove
  module Wire
    module Rdap
      # Reads a domain object (RFC 9083 §5.3) that was parsed from JSON; what is wrong is named by
      # its member.
      module Document
        # RFC 9083 §10.2.3, the event actions that matter here. Of several, the later of beginnings,
        # the earlier of ends.
        EVENTS = {
          "registration" => %i[created_at max],
          "reregistration" => %i[created_at max],
          "expiration" => %i[expires_at min],
          "last changed" => %i[updated_at max],
          "transfer" => %i[transferred_at max]
        }.freeze

        module_function

        # data: Hash; url: where it came from, or nil. Returns a Domain; raises Malformed.
        def domain(data, url: nil)
          fail!("the object", "a JSON object", data) unless data.is_a?(Hash)
          unless data["objectClassName"] == "domain"
            fail!("objectClassName", "“domain”", data["objectClassName"])
          end

          who = Entities.new(data)
          list(data, "entities")
          Domain.new(
            name: name(data),
            handle: data["handle"],
            url: url,
            statuses: statuses(data),
            registrar: who.registrar,
            registrar_id: who.registrar_id,
            registrant_email: who.email("registrant"),
            admin_email: who.email("administrative"),
            name_servers: name_servers(data),
            redacted: redacted(data),
            **secure(data),
            **events(data)
          )
        end

        def name(data)
          given = data["ldhName"] || data["unicodeName"]
          fail!("ldhName", "a domain name", given) unless given.is_a?(String) && !given.strip.empty?
          given.downcase.delete_suffix(".")
        end

        def texts(data, member)
          list = list(data, member)
          list.each_with_index do |s, i|
            fail!("#{member}[#{i}]", "a text", s) unless s.is_a?(String)
          end
        end

        def list(data, member)
          list = data.fetch(member, [])
          list.is_a?(Array) ? list : fail!(member, "a list", list)
        end

        # EPP's words; nil where the record shows none, or an empty list (a domain has at least one,
        # RFC 5731 §2.3): that says nothing.
        def statuses(data)
          return unless data.key?("status")

          shown =
            texts(data, "status").map { |s| Core::Names::Statuses.to_epp(s) }.reject(&:empty?).uniq
          shown if shown.any?
        end

        # An international host may stand in its Unicode form alone (RFC 9083 §5.2).
        def name_servers(data)
          return unless data.key?("nameservers")

          list(data, "nameservers").each_with_index.map do |server, i|
            given = server.is_a?(Hash) ? server["ldhName"] || server["unicodeName"] : nil
            ascii = given.is_a?(String) ? Core::Names::HostName.ascii(given) : nil
            ascii || fail!("nameservers[#{i}].ldhName", "a host name", given)
          end
        end

        # DS or key data show a signed delegation, whatever delegationSigned says; what is absent
        # says nothing.
        def secure(data)
          secure = data.fetch("secureDNS", {})
          fail!("secureDNS", "an object", secure) unless secure.is_a?(Hash)
          signed = secure["delegationSigned"]
          unless [true, false, nil].include?(signed)
            fail!("secureDNS.delegationSigned", "true or false", signed)
          end
          ds, keys = %w[dsData keyData].map { |member| inner(secure, "secureDNS", member) }
          { signed: ds.any? || keys.any? ? true : signed, ds: ds }
        end

        def inner(data, whose, member)
          list = data.fetch(member, [])
          list.is_a?(Array) ? list : fail!("#{whose}.#{member}", "a list", list)
        end

        # RFC 9537 §3: the names of what was left out on purpose.
        def redacted(data)
          list(data, "redacted")
            .grep(Hash)
            .filter_map do |row|
              name =
                row["name"].is_a?(Hash) ? row["name"]["description"] || row["name"]["type"] : nil
              name if name.is_a?(String)
            end
        end

        def events(data)
          list(data, "events")
            .each_with_index
            .with_object({}) do |(event, i), found|
              fail!("events[#{i}]", "an object", event) unless event.is_a?(Hash)
              key, which = EVENTS[event["eventAction"]]
              next unless key

              found[key] = [
                found[key],
                instant(event["eventDate"], "events[#{i}].eventDate")
              ].compact.public_send(which)
            end
        end

        # RFC 3339 §5.6; anything finer than a second is dropped.
        def instant(text, member)
          Core::Instant.parse(text)
        rescue ArgumentError
          fail!(member, "an instant such as 2027-03-01T08:00:00Z", text)
        end

        def fail!(member, expected, given)
          raise(
            Malformed,
            "#{member}: #{expected} is expected, not " \
              "#{given.nil? ? "nothing" : given.to_json[0, 60]}"
          )
        end
        private_class_method :name,
                             :texts,
                             :list,
                             :statuses,
                             :name_servers,
                             :secure,
                             :inner,
                             :redacted,
                             :events,
                             :instant,
                             :fail!
      end
    end
  end
end
