# frozen_string_literal: true

module SteadyMove
  module Desk
    module Records
      # What the desk recommends for a name's records, from what is known of them here.
      class Choosing
        Records = Core::Records

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # to: account id of the destination, or nil. Returns [Records::CarryChoices::Choice]; raises
        # Refused.
        def choose(name, to: nil)
          judged = Portfolio::Judging.new(@ports).one(name, to: to) or
            raise Refused.new(:unknown, :not_held, name: name)
          Records::CarryChoices.offered(facts(judged, to))
        end

        private

        def facts(judged, to)
          name = judged.name.ascii
          servers = judged.facts[:name_servers].to_a
          host = @ports.accounts.host_serving(servers)
          copy = @ports.zone_migrations.copy_of(name)
          account = to && @ports.accounts.find(to)
          habits = account&.habits || {}
          Records::CarryChoices::Facts.new(
            ends: ends(judged, host),
            host_known: !host.nil?,
            zone: !copy.nil?,
            signed: judged.facts[:signed],
            mail: mail?(copy),
            complete: copy&.complete,
            new_hosts: new_hosts(host, to),
            copies: habits["copies_zone"],
            gives_servers: habits["gives_servers"],
            barred: judged.findings_open.any?,
            in_bailiwick: own?(servers, name)
          )
        end

        def mail?(copy) = copy && copy.zone.all.any? { |s| s.type == "MX" }

        # Other hosts that don't end with a registration, or end with the destination's.
        def new_hosts(host, to)
          @ports.accounts.hosts.count do |h|
            h.id != host&.id && (h.ends_with.nil? || h.ends_with == to)
          end
        end

        # Does the zone end with the registration? nil where it is not known who runs the servers.
        def ends(judged, host)
          noted = judged.facts[:zone_ends_with_account]
          return noted != false unless noted.nil?

          host && host.ends_with == judged.account.id
        end

        def own?(servers, name) = servers.any? { |s| s == name || s.end_with?(".#{name}") }
      end
    end
  end
end
