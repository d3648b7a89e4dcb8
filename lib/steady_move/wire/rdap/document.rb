# frozen_string_literal: true

module SteadyMove
  module Wire
    module Rdap
      # Reads a domain object (RFC 9083 §5.3) that was parsed from JSON. Without its class and name
      # it is none; any other member that is odd is not known, and the rest is read (Domain#odd).
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
          unless data["objectClassName"].to_s.casecmp?("domain")
            fail!("objectClassName", "“domain”", data["objectClassName"])
          end

          members = { name: name(data), handle: data["handle"], url: url, odd: [] }
          PARTS.each { |part| members.update(whole(part, data, members[:odd])) }
          Domain.new(**members)
        end

        # What is read by itself, each in the form that it has where nothing is known.
        PARTS = %i[people statuses name_servers redacted secure events].freeze

        # One part; where it is odd, nothing is known of it, and why.
        def whole(part, data, odd)
          send(part, data, odd)
        rescue Malformed => e
          odd << e.message
          part == :redacted ? { redacted: [] } : {}
        end

        def name(data)
          given = data.values_at("ldhName", "unicodeName").find { |n| text?(n) }
          fail!("ldhName", "a domain name", data["ldhName"]) unless given
          given.downcase.delete_suffix(".")
        end

        def text?(value) = value.is_a?(String) && !value.strip.empty?

        # Entities that are none are passed over.
        def people(data, odd)
          listed = list(data, "entities")
          strange = listed.index { |e| !e.is_a?(Hash) }
          odd << wrong("entities[#{strange}]", "an object", listed[strange]) if strange
          who = Entities.new(data)
          {
            registrar: who.registrar,
            registrar_id: who.registrar_id,
            registrant_email: who.email("registrant"),
            admin_email: who.email("administrative")
          }
        end

        def list(data, member)
          list = data.fetch(member, [])
          list.is_a?(Array) ? list : fail!(member, "a list", list)
        end

        # EPP's words; not known where the record shows none, or an empty list (a domain has at
        # least one, RFC 5731 §2.3): that says nothing. What is no text is kept as one that nobody
        # understands, so that it is never taken for no lock.
        def statuses(data, odd)
          return {} unless data.key?("status")

          shown =
            list(data, "status").each_with_index.map do |given, i|
              next Core::Names::Statuses.to_epp(given) if given.is_a?(String)

              odd << wrong("status[#{i}]", "a text", given)
              "not a status: #{given.to_json[0, 60]}"
            end
          shown = shown.reject(&:empty?).uniq
          shown.any? ? { statuses: shown } : {}
        end

        # An international host may stand in its Unicode form alone (RFC 9083 §5.2).
        def name_servers(data, _odd)
          return {} unless data.key?("nameservers")

          hosts =
            list(data, "nameservers").each_with_index.map do |server, i|
              said = server.is_a?(Hash) ? server.values_at("ldhName", "unicodeName") : []
              given = said.find { |n| text?(n) }
              ascii = given && Core::Names::HostName.ascii(given)
              ascii || fail!("nameservers[#{i}].ldhName", "a host name", given || said.first)
            end
          { name_servers: hosts }
        end

        # DS or key data show a signed delegation, whatever delegationSigned says; what is absent
        # says nothing.
        def secure(data, odd)
          secure = data.fetch("secureDNS", {})
          fail!("secureDNS", "an object", secure) unless secure.is_a?(Hash)
          signed = secure["delegationSigned"]
          unless [true, false, nil].include?(signed)
            odd << wrong("secureDNS.delegationSigned", "true or false", signed)
            signed = nil
          end
          { ds: [], **signing(secure, signed) }
        rescue Malformed => e
          odd << e.message
          { signed: signed == true || nil, ds: [] }
        end

        def signing(secure, signed)
          ds, keys = %w[dsData keyData].map { |member| inner(secure, "secureDNS", member) }
          { signed: ds.any? || keys.any? ? true : signed, ds: ds }
        end

        def inner(data, whose, member)
          list = data.fetch(member, [])
          list.is_a?(Array) ? list : fail!("#{whose}.#{member}", "a list", list)
        end

        # RFC 9537 §3: the names of what was left out on purpose.
        def redacted(data, _odd)
          names =
            list(data, "redacted")
              .grep(Hash)
              .filter_map do |row|
                said = row["name"]
                said = said["description"] || said["type"] if said.is_a?(Hash)
                said if said.is_a?(String)
              end
          { redacted: names }
        end

        # An event whose day can't be read makes that of its kind not known.
        def events(data, odd)
          unsure = []
          found = {}
          list(data, "events").each_with_index do |event, i|
            key, which = EVENTS[action(event, i, odd)]
            next unless key

            at = date(event, i, odd) or next unsure << key
            found[key] = [found[key], at].compact.public_send(which)
          end
          found.except(*unsure)
        end

        def action(event, index, odd)
          given = event.is_a?(Hash) ? event["eventAction"] : nil
          return given.downcase.strip.tr("_-", "  ") if given.is_a?(String)

          odd << wrong("events[#{index}].eventAction", "a text", given)
          nil
        end

        def date(event, index, odd)
          instant(event["eventDate"], "events[#{index}].eventDate")
        rescue Malformed => e
          odd << e.message
          nil
        end

        # RFC 3339 §5.6; anything finer than a second is dropped.
        def instant(text, member)
          Core::Instant.parse(text)
        rescue ArgumentError, TypeError
          fail!(member, "an instant such as 2027-03-01T08:00:00Z", text)
        end

        def wrong(member, expected, given)
          shown = given.nil? ? "nothing" : given.to_json[0, 60]
          "#{member}: #{expected} is expected, not #{shown}"
        end

        def fail!(member, expected, given) = raise(Malformed, wrong(member, expected, given))
        private_class_method :whole,
                             :name,
                             :text?,
                             :people,
                             :list,
                             :statuses,
                             :name_servers,
                             :secure,
                             :signing,
                             :inner,
                             :redacted,
                             :events,
                             :action,
                             :date,
                             :instant,
                             :wrong,
                             :fail!
      end
    end
  end
end
