# frozen_string_literal: true

module SteadyMove
  module Desk
    module Planning
      # Makes a ZoneSurvey.
      class ZoneSurveying
        # TTLs during a handover (seconds), and from which greatest TTL on the desk lowers them by
        # itself: common practice.
        LOWERED = 300
        LONG = 4 * 3600

        def initialize(ports, judged, lower)
          @ports = Ports.of(ports)
          @judged = judged
          @lower = lower
          @zones = Common::Zones.new(@ports)
        end

        def call
          servers = @judged.facts[:name_servers] || []
          @host = @ports.accounts.host_serving(servers)
          zone, by, problem = @host&.connected? ? fetched(servers.first) : held
          base =
            ZoneSurvey.new(
              host: @host&.title,
              host_id: @host&.id,
              editable: @host&.connected? || false,
              by: by,
              problem: problem,
              settle_seconds: Common::Zones::ASSUMED.settles_after
            )
          zone ? known(base, zone) : base
        end

        private

        def fetched(server)
          [
            @ports.dns.transfer(server, @judged.name.ascii, key: Common::Zones.key(@host)),
            "connection",
            nil
          ]
        rescue Wire::Error => e
          zone, by, = held
          [
            zone,
            zone ? by : "connection",
            zone ? nil : Words.phrase("plan.zone_not_fetched", says: e.says)
          ]
        end

        # The newest copy that a person got.
        def held
          copy = @ports.zone_migrations.copy_of(@judged.name.ascii)
          return [copy.zone, "page", nil].tap { @copy = copy } if copy

          key = @host ? "plan.no_zone_copy" : "plan.host_unknown"
          [nil, "page", Words.phrase(key, name: @judged.name.ascii, host: @host&.title)]
        end

        def known(survey, zone)
          survey.sets = zone.content.size
          survey.serial = zone.soa&.values&.at(2)
          survey.complete = @copy&.says
          survey.greatest = zone.greatest_ttl
          lower(survey, zone)
          survey.settle_seconds = settles(survey, zone)
          survey.ds_seconds = ds_ttl + (survey.lowered || zone.greatest_ttl)
          survey
        end

        def lower(survey, zone)
          wanted = @lower.nil? ? survey.editable && zone.greatest_ttl >= LONG : @lower
          return unless wanted && zone.greatest_ttl > LOWERED

          survey.lowered = LOWERED
          survey.lower_seconds = zone.greatest_ttl
        end

        def settles(survey, zone)
          sums = @zones.handover(@judged.name, zone, old_set: survey.editable)
          sums.greatest = survey.lowered if survey.lowered
          sums.settles_after
        rescue Wire::Error
          Common::Zones::ASSUMED.settles_after
        end

        def ds_ttl
          @zones.ds(@judged.name)&.last.to_i.nonzero? || Common::Zones::ASSUMED.parent_ns
        rescue Wire::Error
          Common::Zones::ASSUMED.parent_ns
        end
      end
    end
  end
end
