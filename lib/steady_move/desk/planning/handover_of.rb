# frozen_string_literal: true

module SteadyMove
  module Desk
    module Planning
      # The handover of one name's records as it stands: each instant with whether it was seen, who
      # acts, and what a way back would take from there. Of a move that is under way by what was
      # done, else as it would be if it began now.
      class HandoverOf
        Records = Core::Records
        # The trait of the step whose being done is an instant's having come.
        TRAITS = {
          lower_at: :lowers,
          ds_remove_at: :ds_gone,
          switch_at: :servers,
          order_at: :orders
        }.freeze
        # From the order to the landing, at the least (rules of the job §5).
        FASTEST = 600
        # Until the registry publishes (rules of the job §5), where it was not seen yet.
        PUBLICATION = 900
        # id; at: Time; seen: has it come; who: yours, theirs or clock; since: Phrase of what is
        # true from then on; back: Phrase of the way back from there.
        Instant = Struct.new(:id, :at, :seen, :who, :since, :back, keyword_init: true)
        # unbounded: is there somebody whom no time bounds; assumed: are TTLs assumed that could not
        # be asked.
        Standing = Struct.new(:instants, :unbounded, :assumed, :seconds, keyword_init: true)

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # Returns Standing, or nil where nothing of the zone is known, or where a move under way
        # leaves the name servers as they are.
        def call(name)
          judged = Portfolio::Judging.new(@ports).one(name) or
            raise Refused.new(:unknown, :not_held, name: name)
          return if judged.move && judged.move.state.with_trait(:servers).nil?

          zone = old_zone(judged) or return
          schedule = schedule(judged, zone)
          Standing.new(
            instants: instants(schedule, judged),
            unbounded: schedule.unbounded?,
            assumed: @assumed,
            seconds: schedule.way_back_seconds
          )
        end

        private

        def old_zone(judged)
          move = judged.move
          (move && @ports.zones.of_move(move.id, move.name)) ||
            @ports.zone_migrations.copy_of(judged.name.ascii)&.zone
        end

        def schedule(judged, zone)
          plan = judged.move&.plan
          host = @ports.accounts.host_serving(judged.facts[:name_servers].to_a)
          lowered = plan ? plan.lowered : @ports.zone_migrations.carry(judged.name.ascii)&.lowered
          greatest = zone.greatest_ttl
          Records::HandoverSchedule.new(
            start: judged.move&.started_at || @ports.now,
            old_max_ttl: lowered ? greatest : 0,
            lowered_ttl: lowered || greatest,
            zone_ns_ttl: zone[zone.origin, "NS"]&.ttl || 3600,
            negative_ttl: zone.negative_ttl,
            publication: PUBLICATION,
            signed: signed?(judged, plan),
            old_zone_ns_follows: plan ? plan.options.include?(:old_set) : host&.connected? || false,
            old_host_ends_with_registration: host.nil? || !host.ends_with.nil?,
            fastest_move: FASTEST,
            seen: seen(judged.move),
            now: @ports.now,
            **registry(judged)
          )
        end

        def signed?(judged, plan)
          plan ? plan.options.include?(:signed) : judged.facts[:signed] == true
        end

        # TTLs at the registry, asked; else assumed.
        def registry(judged)
          zones = Common::Zones.new(@ports)
          ns = zones.delegation(judged.name)&.last
          ds = zones.ds(judged.name)&.last.to_i.nonzero?
          @assumed = ns.nil?
          {
            parent_ns_ttl: ns || Common::Zones::ASSUMED.parent_ns,
            ds_ttl: ds || Common::Zones::ASSUMED.parent_ns
          }
        rescue Wire::Error
          @assumed = true
          {
            parent_ns_ttl: Common::Zones::ASSUMED.parent_ns,
            ds_ttl: Common::Zones::ASSUMED.parent_ns
          }
        end

        def seen(move)
          return {} unless move

          TRAITS.to_h { |key, trait| [key, move.state.with_trait(trait)&.done_at] }.compact
        end

        def instants(schedule, judged)
          seen = seen(judged.move)
          told(schedule, judged.move).map do |id, time|
            Instant.new(
              id: id.to_s,
              at: time,
              seen: seen.key?(id) || passed?(id, time, judged),
              who: who(judged.move&.state, TRAITS[id]),
              since: since(id, schedule),
              back: back(id, schedule, judged)
            )
          end
        end

        # {instant's id => Time} of those that there are. Servers that come with the order are
        # switched after it.
        def told(schedule, move)
          at = schedule.instants.compact
          at = at.except(:lower_at, :rely_at) if schedule.old_max_ttl.zero?
          move&.plan.to_h[:options].to_a.include?(:servers_late) ? at.except(:order_at) : at
        end

        # What only time brings has come once its time is over.
        def passed?(id, time, judged) = !judged.move.nil? && !TRAITS.key?(id) && time <= @ports.now

        def who(state, trait)
          return "clock" unless trait

          state&.with_trait(trait)&.then { |s| s.turn || s.step.actor } || "yours"
        end

        # What is true from this instant until the next one.
        def since(id, schedule)
          key = id.to_s.delete_suffix("_at")
          key = "retire_unbounded" if id == :retire_at && schedule.unbounded?
          Words.phrase("records.since.#{key}", span: Words.span(schedule.lowered_ttl))
        end

        # What a way back takes once this instant has come.
        def back(id, schedule, judged)
          span = Words.span(schedule.way_back_seconds)
          until_at =
            (
              if schedule.old_host_ends_with_registration
                schedule.order_at + schedule.fastest_move
              else
                nil
              end
            )
          key = %i[lower_at rely_at].include?(id) ? "free" : id.to_s.delete_suffix("_at")
          key = "switch_alone" if id == :switch_at && until_at.nil?
          Words.phrase("records.back.#{key}", span: span, until: until_at, name: judged.name.ascii)
        end
      end
    end
  end
end
