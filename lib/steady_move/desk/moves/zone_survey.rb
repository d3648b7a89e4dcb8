# frozen_string_literal: true

module SteadyMove
  module Desk
    # What is known of a name's present zone when its move is planned, and how long the caches of it
    # have to be waited for. host, host_id: of the present DNS host; sets, serial; settle_seconds:
    # the wait for caches; ds_seconds: for those that hold the DS; greatest: greatest TTL; lowered:
    # TTLs during the handover, nil where they stay; lower_seconds: until the long ones are
    # forgotten; by: how the zone is got when the move begins, connection or page; problem: what
    # keeps it from being known, a Phrase; complete: the statement of the copy that is held; choice:
    # of Core::Records::CarryChoices.
    ZoneSurvey =
      Struct.new(
        :host,
        :host_id,
        :editable,
        :sets,
        :serial,
        :settle_seconds,
        :ds_seconds,
        :greatest,
        :lowered,
        :lower_seconds,
        :by,
        :problem,
        :complete,
        :choice,
        keyword_init: true
      ) do
        # app: App; judged: Judging::Judged; lower: true, false, or nil where the desk decides. Asks
        # the present host.
        def self.of(app, judged, lower: nil) = ZoneSurveying.new(app, judged, lower).call

        # The same without asking anybody: what is kept of the host, and the waits that are usual.
        def self.unasked(app, judged)
          host = app.accounts.host_serving(judged.facts[:name_servers] || [])
          new(
            host: host&.title,
            host_id: host&.id,
            editable: host&.connected? || false,
            by: host&.connected? ? "connection" : "page",
            settle_seconds: Zones::ASSUMED.settles_after
          )
        end

        # How the records' steps are done, for a new host.
        def ways(new_host)
          {
            "zone" => by,
            "zone_edit" => editable ? "connection" : "page",
            "records" => choice == "copy" ? "copy" : (new_host.connected? ? "connection" : "page"),
            "servers" => "page"
          }
        end
      end

    # Makes a ZoneSurvey.
    class ZoneSurveying
      # TTLs during a handover (seconds), and from which greatest TTL on the desk lowers them by
      # itself: common practice.
      LOWERED = 300
      LONG = 4 * 3600

      def initialize(app, judged, lower)
        @app = app
        @judged = judged
        @lower = lower
        @zones = Zones.new(app)
      end

      def call
        servers = @judged.facts[:name_servers] || []
        @host = @app.accounts.host_serving(servers)
        zone, by, problem = @host&.connected? ? fetched(servers.first) : held
        base =
          ZoneSurvey.new(
            host: @host&.title,
            host_id: @host&.id,
            editable: @host&.connected? || false,
            by: by,
            problem: problem,
            settle_seconds: Zones::ASSUMED.settles_after
          )
        zone ? known(base, zone) : base
      end

      private

      def fetched(server)
        [@app.dns.transfer(server, @judged.name.ascii, key: Zones.key(@host)), "connection", nil]
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
        copy = @app.zone_migrations.copy_of(@judged.name.ascii)
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
        Zones::ASSUMED.settles_after
      end

      def ds_ttl
        @zones.ds(@judged.name)&.last.to_i.nonzero? || Zones::ASSUMED.parent_ns
      rescue Wire::Error
        Zones::ASSUMED.parent_ns
      end
    end
  end
end
