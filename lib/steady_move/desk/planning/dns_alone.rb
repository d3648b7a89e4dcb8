# frozen_string_literal: true

module SteadyMove
  module Desk
    module Planning
      # Moves a name's DNS to another host while its registration stays where it is: the records'
      # half of a move.
      class DnsAlone
        MOST = 200
        # What came of one name of several: the move's id, or why it could not start.
        Fate = Struct.new(:name, :id, :why, keyword_init: true)

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # Returns [Plan, ZoneSurvey]; raises Refused.
        def plan(name, host:, lower: nil)
          judged = Portfolio::Judging.new(@ports).fresh(name, age: Planner::FRESH) or
            raise Refused.new(:unknown, :not_held, name: name)
          new_host = @ports.accounts.host_of(host) or
            raise Refused.new(:unknown, :no_host, id: host)
          refuse(judged, new_host)
          zone = ZoneSurvey.of(@ports, judged, lower: lower)
          [plan_of(judged, new_host, zone), zone]
        end

        # Starts it. Returns the move's id; raises Refused.
        def start(name, host:, by:, lower: nil)
          plan, = plan(name, host: host, lower: lower)
          @ports
            .moves
            .start(plan, at: @ports.now) do |id|
              words = Common::MoveWords.values(plan, @ports.accounts)
              @ports.journal.add(
                "planned",
                at: @ports.now,
                move_id: id,
                name: name,
                by: by,
                says:
                  Words.phrase(
                    "journal.dns_alone",
                    name: name,
                    from: words[:from],
                    host: words[:new_host]
                  )
              )
            end
        rescue Store::Moves::AlreadyMoving
          raise Refused.new(:not_now, :already_moving, name: name)
        end

        # The same for several at once; one that can't start keeps none back. Returns [Fate].
        def start_all(names, host:, by:, lower: nil)
          raise Refused.new(:invalid, :too_many_names, most: MOST) if names.size > MOST

          names.uniq.map do |name|
            Fate.new(name: name, id: start(name, host: host, by: by, lower: lower))
          rescue Refused => e
            Fate.new(name: name, why: e.message)
          end
        end

        private

        def refuse(judged, host)
          raise Refused.new(:not_now, :already_moving, name: judged.name.to_s) if judged.move

          why = Common::Refusals.new(judged, judged.account, host).of_host
          barred =
            judged
              .verdict
              .findings
              .select { |f| f.rule == "update-barred" && f.effect == "bar" }
              .map(&:because)
          raise Refused.new(:not_now, why + barred) if (why + barred).any?
        end

        def plan_of(judged, host, zone)
          facts = judged.facts
          old = @ports.accounts.host_serving(facts[:name_servers].to_a)
          options = {
            carry: true,
            dns_only: true,
            signed: facts[:signed],
            old_set: old&.connected?,
            lower: zone.lowered,
            later: host.name_servers.empty?
          }
          Core::Moves::Plan.of(
            name: judged.name.ascii,
            from: judged.account.id,
            to: judged.account.id,
            options: options.select { |_, there| there }.keys,
            ways: judged.account.ways.merge(zone.ways(host)),
            expires_at: facts[:expires_at],
            years: 0,
            old_host: zone.host_id,
            new_host: host.id,
            settle_seconds: zone.settle_seconds,
            ds_seconds: zone.ds_seconds,
            lowered: zone.lowered,
            lower_seconds: zone.lower_seconds,
            old_name_servers: facts[:name_servers],
            name_servers: host.name_servers
          )
        end
      end
    end
  end
end
