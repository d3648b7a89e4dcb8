# frozen_string_literal: true

module SteadyMove
  module Desk
    # What the desk recommends for a name's records, from what is known of them here.
    class Choosing
      Records = Core::Records

      def initialize(app)
        @app = app
      end

      # to: account id of the destination, or nil. Returns [Records::CarryChoices::Choice]; raises Refused.
      def of(name, to: nil)
        judged = Judging.new(@app).one(name, to: to) or raise Refused.new(:unknown, :not_held, name: name)
        Records::CarryChoices.of(facts(judged, to))
      end

      private

      def facts(judged, to)
        name = judged.name.ascii
        servers = judged.facts[:name_servers].to_a
        host = @app.accounts.host_serving(servers)
        copy = @app.carries.copy_of(name)
        account = to && @app.accounts.find(to)
        Records::CarryChoices::Facts.new(ends: ends(judged, host), host_known: !host.nil?, signed: judged.facts[:signed],
          mail: copy && copy.zone.all.any? { |s| s.type == "MX" }, zone: !copy.nil?, complete: copy&.complete,
          new_hosts: @app.accounts.hosts.count { |h| h.id != host&.id && (h.ends_with.nil? || h.ends_with == to) },
          copies: account&.habits&.fetch("copies_zone", nil), gives_servers: account&.habits&.fetch("gives_servers", nil),
          barred: judged.findings_open.any?, in_bailiwick: own?(servers, name))
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
