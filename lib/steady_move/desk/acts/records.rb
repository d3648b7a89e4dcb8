# frozen_string_literal: true

module SteadyMove
  module Desk
    module Acts
      # The steps of the records rail. Each takes a Job and returns an Outcome; outside faults are raised.
      module Records
        module_function

        # Reads only; a zone that is there already is fetched anew.
        def fetch_zone(job)
          host = job.old_host or return job.problem("Nobody is known to serve #{job.plan.name}; name its DNS host under Accounts.", source: "desk", yours: true)
          server = host.name_servers.first
          zone = job.app.dns.transfer(server, job.plan.name, key: Zones.key(host))
          job.app.keepings.put_zone(job.move.id, "old", zone, at: job.app.now)
          job.done("The whole zone was fetched: #{zone.content.size} record sets, serial #{zone.soa.values[2]}.",
                   source: "zone transfer", ref: server, greatest: zone.greatest_ttl, negative: zone.negative_ttl,
                   zone_ns: zone[zone.origin, "NS"]&.ttl || 0)
        end

        # Replaces the content at the new host by the old zone's; sending it twice gives the same zone.
        def put_zone(job)
          zone = job.app.keepings.zone(job.move.id, "old", job.plan.name)
          host = job.new_host
          server = host.name_servers.first
          remove = zone.content.map(&:id)
          return job.done("#{host.title} holds all #{remove.size} record sets.", source: "DNS", ref: host.name_servers.join(", ")) if job.state.tries("put-zone").positive? && Zones.new(job.app).deviations(host.name_servers, zone).empty?

          job.intend("Sending #{remove.size} record sets to #{host.title}.") do
            job.app.dns.update(server, job.plan.name, key: Zones.key(host), remove: remove, add: zone.content.flat_map(&:to_a))
          end
          job.done("#{host.title} took #{remove.size} record sets.", source: "DNS update", ref: server)
        end

        def compare_hosts(job)
          zone = job.app.keepings.zone(job.move.id, "old", job.plan.name)
          bad = Zones.new(job.app).deviations(job.old_host.name_servers + job.new_host.name_servers, zone)
          servers = job.old_host.name_servers.size + job.new_host.name_servers.size
          return job.done("All #{servers} name servers answer the same #{zone.content.size} record sets.", source: "DNS", ref: servers_of(job)) if bad.empty?

          job.problem("The hosts differ in #{bad.size} #{bad.size == 1 ? 'answer' : 'answers'}: #{bad.first(3).map(&:says).join('; ')}.",
                      source: "DNS", yours: true)
        end

        def switch_ns(job)
          now = job.info(job.losing).name_servers
          wanted = job.new_host.name_servers
          unless (now - wanted).empty? && (wanted - now).empty?
            job.intend("Setting the name servers to #{wanted.join(', ')}.") do |key|
              job.epp(job.losing, Wire::Epp::Commands.update(name: job.plan.name, id: key, add: { name_servers: wanted - now }, rem: { name_servers: now - wanted }))
            end
          end
          job.done("#{job.losing.title} took the new name servers.", source: "EPP update at #{job.losing.title}", ref: wanted.join(", "))
        end

        def ns_shown(job)
          wanted = job.new_host.name_servers.sort
          shown = job.public_record.name_servers.sort
          delegated, ttl = Zones.new(job.app).delegation(job.name)
          if shown == wanted && (delegated.nil? || delegated == wanted)
            return job.done("The registry delegates to #{job.new_host.title}.", source: "public record and registry name server",
                                                                               ref: job.app.dns.parent_server(job.name), parent_ttl: ttl)
          end
          job.wait("The registry still shows the old name servers.", source: "public record", look_at: job.app.now + 300)
        end

        # Waits out every cache from the instant at which the switch was seen (handover rule, step 4).
        def ns_settled(job)
          until_at = settles_at(job)
          return job.wait("Some resolvers may still hold the old host's answers until #{job.mark(until_at)}.", source: "TTLs", look_at: until_at) if job.app.now < until_at

          bad = Zones.new(job.app).deviations(job.new_host.name_servers, job.app.keepings.zone(job.move.id, "old", job.plan.name))
          return job.done("No cache that obeys its TTLs holds the old host's answers any more.", source: "TTLs, then DNS", ref: servers_of(job)) if bad.empty?

          job.problem("The new host changed meanwhile: #{bad.first(3).map(&:says).join('; ')}.", source: "DNS", yours: true)
        end

        def settles_at(job)
          fetched = job.move.events.reverse.find { |e| e.step == "fetch-zone" && e.done? }.data
          shown = job.move.events.reverse.find { |e| e.step == "ns-shown" && e.done? }
          handover = Core::Records::Handover.new(parent_ns: shown.data["parent_ttl"] || Planning::ASSUMED.parent_ns, zone_ns: fetched["zone_ns"],
                                                 greatest: fetched["greatest"], negative: fetched["negative"], registry: 0)
          shown.at + handover.settles_after
        end

        def servers_of(job) = (job.old_host.name_servers + job.new_host.name_servers).join(", ")
      end
    end
  end
end
