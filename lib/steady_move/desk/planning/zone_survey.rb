# frozen_string_literal: true

module SteadyMove
  module Desk
    module Planning
      # What is known of a name's present zone when its move is planned, and how long the caches of
      # it have to be waited for. host, host_id: of the present DNS host; sets, serial;
      # settle_seconds:
      # the wait for caches; ds_seconds: for those that hold the DS; greatest: greatest TTL;
      # lowered: TTLs during the handover, nil where they stay; lower_seconds: until the long ones
      # are forgotten; by: how the zone is got when the move begins, connection or page; problem:
      # what keeps it from being known, a Phrase; complete: the statement of the copy that is held;
      # choice:
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
          # app: App; judged: Portfolio::Judging::Judged; lower: true, false, or nil where the desk
          # decides. Asks the present host.
          def self.of(ports, judged, lower: nil) = ZoneSurveying.new(ports, judged, lower).call

          # The same without asking anybody: what is kept of the host, and the waits that are usual.
          def self.unasked(ports, judged)
            ports = Ports.of(ports)
            host = ports.accounts.host_serving(judged.facts[:name_servers] || [])
            new(
              host: host&.title,
              host_id: host&.id,
              editable: host&.connected? || false,
              by: host&.connected? ? "connection" : "page",
              settle_seconds: Common::Zones::ASSUMED.settles_after
            )
          end

          # How the records' steps are done, for a new host.
          def ways(new_host)
            {
              "zone" => by,
              "zone_edit" => editable ? "connection" : "page",
              "records" =>
                choice == "copy" ? "copy" : (new_host.connected? ? "connection" : "page"),
              "servers" => "page"
            }
          end
        end
    end
  end
end
