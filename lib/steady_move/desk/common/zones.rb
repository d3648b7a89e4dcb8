# frozen_string_literal: true

module SteadyMove
  module Desk
    module Common
      # What name servers say: whole zones, single sets, the delegation at the registry.
      class Zones
        Records = Core::Records
        # TTLs assumed where they can't be asked: a day at the parent, an hour in the zone (common
        # practice).
        ASSUMED =
          Core::Records::Handover.new(
            parent_ns: 86_400,
            zone_ns: 3600,
            greatest: 3600,
            negative: 3600,
            registry: 0,
            old_set: false
          )

        # The member of a step's event with the DS that the new host's keys ask for, for whoever
        # types them.
        DS_WANTED = "ds_wanted"

        # One server's deviation from the zone that it should serve.
        Deviation = Struct.new(:server, :name, :type, :says, keyword_init: true)

        # What signs requests to a host; nil where there is no key.
        def self.key(host)
          return unless host.connected?

          { name: host.key_name, secret: host.secret, algorithm: host.habits["algorithm"] }.compact
        end

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # All name servers of the registry that hold the name's suffix: the known one, and those
        # that it names; [] where none is known.
        def parents(name)
          first = @ports.dns.parent_server(name) or return []
          answer = @ports.dns.query(first, name.suffix, "NS")
          named =
            answer
              .set(Records::Name.parse(name.suffix), "NS")
              .map { |r| r.rdata.values.first.to_host.downcase }
          (named & named.select { |s| @ports.dns.reachable?(s) }) | [first]
        end

        # A set at each of the registry's servers: [values that all of them show or nil where they
        # differ or one does not say, greatest TTL]; nil where no such server is known. A switch is
        # seen only once the last of them shows it.
        def at_parents(name, type)
          servers = parents(name)
          return if servers.empty?

          apex = Records::Name.parse(name.ascii)
          sets = servers.map { |s| said(@ports.dns.query(s, name.ascii, type), apex, type) }
          shown =
            sets
              .map { |set| set&.map { |r| block_given? ? yield(r.rdata) : r.rdata.to_s }&.sort }
              .uniq
          [shown.one? ? shown.first : nil, sets.compact.flatten.map(&:ttl).max || 0]
        end

        # The set that one server tells. Raises Wire errors, also where it says neither that there
        # is one nor none.
        def told(server, name, type)
          answer = @ports.dns.query(server, name.ascii, type)
          said(answer, Records::Name.parse(name.ascii), type) or
            raise Wire::Refused.new(answer.rcode, "#{server}: #{answer.rcode}")
        end

        # The set of an answer; nil where it says neither that there is one nor that there is none.
        def said(answer, name, type) = answer.rcode == "NOERROR" ? answer.set(name, type) : nil

        # The NS set at the registry: [server names or nil where its servers differ, TTL], or nil
        # where none is known.
        def delegation(name) =
          at_parents(name, "NS") { |rdata| rdata.values.first.to_host.downcase }

        # The DS set at the registry: [DS data or nil where its servers differ, TTL], or nil where
        # none is known.
        def ds(name) = at_parents(name, "DS")

        # The DS that the keys at these servers ask for; [] where the zone is not signed there.
        # Raises Wire errors, also where one does not say.
        def ds_wanted(name, servers)
          apex = Records::Name.parse(name.ascii)
          keys = servers.flat_map { |s| told(s, name, "DNSKEY").map(&:rdata) }
          Records::Delegation.ds(apex, keys.uniq)
        end

        # The NS set in the old zone is changed at its host, too. Raises Wire errors.
        def change_own_set(name, host, wanted)
          apex = Records::Name.parse(name.ascii)
          server = host.name_servers.first
          held = told(server, name, "NS")
          ttl = held.map(&:ttl).max || 3600
          fresh =
            wanted.map do |s|
              Records::Record.new(
                name: apex,
                ttl: ttl,
                rdata: Records::Rdata.new("NS", [Records::Name.parse(s)])
              )
            end
          old = held.reject { |r| wanted.include?(r.rdata.values.first.to_host.downcase) }
          return if old.empty? && held.size == fresh.size

          @ports.dns.update(server, name.ascii, key: self.class.key(host), add: fresh, drop: old)
        end

        # Does the registry's own server hold a DS for the name? nil where no such server is known,
        # or it is not the one to ask.
        def signed(name)
          parent = @ports.dns.parent_server(name) or return
          answer = @ports.dns.query(parent, name.ascii, "DS")
          return unless answer.rcode == "NOERROR"
          return true if answer.answer.any? { |r| r.type == "DS" }

          answer.authoritative ? false : nil
        end

        # TTL facts for leaving the present servers (Records::Handover), asked at the registry and
        # read from the zone. old_set: the old host takes the new servers into the zone's own NS
        # set.
        def handover(name, zone, old_set: false)
          parent_ttl = delegation(name)&.last || ASSUMED.parent_ns
          zone_ns = zone[zone.origin, "NS"]&.ttl || 0
          Records::Handover.new(
            parent_ns: parent_ttl,
            zone_ns: zone_ns,
            greatest: zone.greatest_ttl,
            negative: zone.negative_ttl,
            registry: 0,
            old_set: old_set
          )
        end

        # Asks every server for every content set of the zone, a delegated subzone as a referral
        # with its glue. Returns [Deviation]; empty where all answer the same content.
        def deviations(servers, zone)
          servers.flat_map do |server|
            zone.answering.flat_map { |set| deviation(server, set, zone) }.compact
          end
        end

        # What each server answers that differs from the zone: {server => [“owner TYPE”]}, nil of
        # one that is silent.
        def answers(servers, zone)
          servers.to_h do |server|
            [server, deviations([server], zone).map { |d| "#{d.name} #{d.type}" }]
          rescue Wire::Error
            [server, nil]
          end
        end

        private

        def deviation(server, set, zone)
          cut = zone.cut(set.name)
          return referral(server, set, zone) if cut == set.name && set.type == "NS"
          # the child's own, or glue, which comes with its referral
          return if cut && !(cut == set.name && set.type == "DS")

          answer = @ports.dns.query(server, set.name.to_s, set.type)
          got = answer.answer.select { |r| r.type == set.type && r.name == set.name }
          return if answer.authoritative && meanings(got) == set.meanings

          differs(server, set, got, answer, served: answer.authoritative)
        end

        # A server that also holds the subzone answers for it itself.
        def referral(server, set, zone)
          answer = @ports.dns.query(server, set.name.to_s, "NS")
          got = answer.set(set.name, "NS")
          unless answer.rcode == "NOERROR" && meanings(got) == set.meanings
            return differs(server, set, got, answer)
          end

          glue(set, zone).filter_map do |need|
            found = answer.set(need.name, need.type)
            unless answer.authoritative || meanings(found) == need.meanings
              differs(server, need, found, answer)
            end
          end
        end

        # Addresses of a subzone's servers that lie within it (RFC 1034 §4.2.1).
        def glue(set, zone)
          set
            .rdatas
            .map { |r| r.values.first }
            .select { |n| n.under?(set.name) }
            .flat_map { |n| %w[A AAAA].filter_map { |type| zone[n, type] } }
        end

        def meanings(records) = records.map { |r| r.rdata.meaning }.sort

        def differs(server, set, got, answer, served: true)
          key =
            if served
              got.empty? ? "missing" : "differs"
            else
              "not_served"
            end
          says =
            Words.say(
              :"zones.#{key}",
              server: server,
              type: set.type,
              name: set.name.to_host,
              rcode: answer.rcode
            )
          Deviation.new(server: server, name: set.name.to_host, type: set.type, says: says)
        end
      end
    end
  end
end
